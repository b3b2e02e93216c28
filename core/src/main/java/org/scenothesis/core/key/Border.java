package org.scenothesis.core.key;

import java.util.Arrays;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// The smallest distance in pixels from the subject to the border of the cloth, and on which side.
///
/// - `px` is −1 without a subject; where the cloth fills the picture there is no border, and `px` is the picture's larger side.
/// - A garbage matte that cuts into the subject counts as a border that it touches.
public record Border(int px, Side side) {
    public enum Side {
        LEFT,
        TOP,
        RIGHT,
        BOTTOM,
        NONE
    }

    /// Where the screen channel leads by less than this share of what is typical, there is no cloth.
    private static final float LEAST_LEAD = 0.25f;

    static Border of(Keyed keyed, ScreenModel model) {
        Box frame = Box.all(keyed.alpha());
        Box subject = Box.around(keyed.alpha(), 0.5f);
        Box cloth = Box.around(lead(model), 0);
        if (subject.isEmpty() || cloth.isEmpty()) {
            return new Border(-1, Side.NONE);
        }
        int[] room = room(subject, cloth, frame);
        int[] garbage = room(subject, Box.around(keyed.inside(), 0.5f), frame);
        int none = Math.max(frame.width(), frame.height());
        Border nearest = new Border(none, Side.NONE);
        for (int k = 0; k < 4; k++) {
            int px = Math.max(0, garbage[k] <= 0 ? 0 : room[k]);
            if (px < nearest.px) {
                nearest = new Border(px, Side.values()[k]);
            }
        }
        return nearest;
    }

    /// Left, top, right, bottom; no limit on a side where `outer` reaches the edge of the picture.
    private static int[] room(Box subject, Box outer, Box frame) {
        int none = Math.max(frame.width(), frame.height());
        return new int[] {
            outer.left() <= 0 ? none : subject.left() - outer.left(), outer.top() <= 0 ? none : subject.top() - outer.top(),
            outer.right() >= frame.right() ? none : outer.right() - subject.right(),
            outer.bottom() >= frame.bottom() ? none : outer.bottom() - subject.bottom()
        };
    }

    /// By how much the screen channel leads where there is cloth; 0 elsewhere.
    private static Plane lead(ScreenModel model) {
        Picture p = model.colour();
        float[] s = model.hue().screen(p).data();
        float[] a = model.hue().first(p).data();
        float[] b = model.hue().second(p).data();
        Plane out = Plane.of(p.width(), p.height());
        float[] found = new float[s.length];
        int n = 0;
        for (int i = 0; i < s.length; i++) {
            float most = Math.max(a[i], b[i]);
            out.data()[i] = s[i] > 1.5f * most ? s[i] - most : 0;
            if (out.data()[i] > 0.02f) {
                found[n++] = out.data()[i];
            }
        }
        Arrays.sort(found, 0, n);
        float least = n == 0 ? 0.02f : LEAST_LEAD * found[n / 2];
        for (int i = 0; i < s.length; i++) {
            out.data()[i] = out.data()[i] >= least ? out.data()[i] : 0;
        }
        return out;
    }
}
