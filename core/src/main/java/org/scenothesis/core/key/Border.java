package org.scenothesis.core.key;

import org.scenothesis.core.picture.Plane;

/// The smallest distance in pixels from the subject to the border of what counts as screen, and on which side; `px` is −1 without a subject.
public record Border(int px, Side side) {
    public enum Side {
        LEFT,
        TOP,
        RIGHT,
        BOTTOM,
        NONE
    }

    static Border of(Keyed keyed) {
        int[] subject = box(keyed.alpha());
        int[] cloth = box(keyed.inside());
        if (subject[0] > subject[2] || cloth[0] > cloth[2]) {
            return new Border(-1, Side.NONE);
        }
        int[] room = {subject[0] - cloth[0], subject[1] - cloth[1], cloth[2] - subject[2], cloth[3] - subject[3]};
        int least = 0;
        for (int k = 1; k < 4; k++) {
            if (room[k] < room[least]) {
                least = k;
            }
        }
        return new Border(Math.max(0, room[least]), Side.values()[least]);
    }

    // Left, top, right, bottom of what is more than half covered.
    private static int[] box(Plane p) {
        int[] b = {p.width(), p.height(), -1, -1};
        for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < p.width(); x++) {
                if (p.data()[y * p.width() + x] > 0.5f) {
                    b[0] = Math.min(b[0], x);
                    b[1] = Math.min(b[1], y);
                    b[2] = Math.max(b[2], x);
                    b[3] = Math.max(b[3], y);
                }
            }
        }
        return b;
    }
}
