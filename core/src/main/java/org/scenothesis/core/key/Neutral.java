package org.scenothesis.core.key;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Robust;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.KeySettings;

/// What something neutral before the cloth tells of the cloth's light on it: a grey card, a ball, a shirt, the white of an eye.
///
/// - `lean`: how far its screen channel leads the mean of the other two, of that mean. `despill`: what makes it neutral, in the setting's
///   own measure; no more than [KeySettings#MOST_DESPILL]. `why`: why it tells nothing; then both are NaN.
/// - The camera's white balance has to be right: what is wrong with it is taken for light of the cloth.
public record Neutral(double lean, double despill, @Nullable Why why) {
    /// Why a place tells nothing.
    public enum Why {
        /// It lies out of the picture, or is not solid.
        NOTHING_SOLID,
        /// Its colour is its own.
        COLOURED,
        /// Too dark to tell, or clipped.
        NO_TONE
    }

    /// Part of the picture's width.
    private static final double RADIUS = 1 / 160.0;
    private static final float SOLID = 0.97f;
    private static final double DARKEST = 0.01;
    private static final double CLIPPED = 0.98;
    private static final double COLOURED = 1.35;
    private static final double MOST_LEAN = 0.8;
    private static final int STEPS = 40;

    /// Looks at a patch about `at`, in pixels of a frame of the model's shape.
    public static Neutral at(Point at, Picture frame, ScreenModel model, Bands bands) {
        Keyed raw = Keyer.key(frame, model, KeySettings.DEFAULT.withDespill(0), null, bands);
        Plane one = SpillLight.share(raw.element(), raw.inside(), model, 1, bands);
        Plane two = SpillLight.share(raw.element(), raw.inside(), model, 2, bands);
        int reach = Math.max(2, (int) Math.round(frame.width() * RADIUS));
        int left = (int) at.x() - reach;
        int top = (int) at.y() - reach;
        int side = 2 * reach + 1;
        if (left < 0 || top < 0 || left + side > frame.width() || top + side > frame.height()) {
            return none(Why.NOTHING_SOLID);
        }
        double[][] seen = new double[5][side * side];
        for (int k = 0; k < side * side; k++) {
            int i = (top + k / side) * frame.width() + left + k % side;
            if (raw.alpha().data()[i] < SOLID) {
                return none(Why.NOTHING_SOLID);
            }
            seen[0][k] = model.hue().screen(frame).data()[i];
            seen[1][k] = model.hue().first(frame).data()[i];
            seen[2][k] = model.hue().second(frame).data()[i];
            seen[3][k] = one.data()[i];
            seen[4][k] = two.data()[i] - one.data()[i];
        }
        double s = Robust.median(seen[0]);
        double a = Robust.median(seen[1]);
        double b = Robust.median(seen[2]);
        double lean = 2 * s / (a + b) - 1;
        return Math.min(s, Math.min(a, b)) < DARKEST || Math.max(s, Math.max(a, b)) > CLIPPED ? none(Why.NO_TONE)
                : a > COLOURED * b || b > COLOURED * a || Math.abs(lean) > MOST_LEAN ? none(Why.COLOURED)
                : new Neutral(lean, new Light(Robust.median(seen[3]), Robust.median(seen[4]), SpillLight.others(model)).despill(s, a, b),
                null);
    }

    private static Neutral none(Why why) {
        return new Neutral(Double.NaN, Double.NaN, why);
    }

    /// The share of the cloth's light at the patch with despill at 1, what one more adds, and what of it is in the other two channels.
    private record Light(double one, double more, double[] others) {
        /// The amount at which the screen's channel is the mean of the other two, by halving.
        double despill(double screen, double first, double second) {
            double low = 0;
            double high = KeySettings.MOST_DESPILL;
            for (int n = 0; n < STEPS; n++) {
                double k = (low + high) / 2;
                double share = k < 1 ? k * one : one + (k - 1) * more;
                double rest = 0.5 * (first / (1 + share * others[0]) + second / (1 + share * others[1]));
                if (screen / (1 + share) > rest) {
                    low = k;
                } else {
                    high = k;
                }
            }
            return (low + high) / 2;
        }
    }
}
