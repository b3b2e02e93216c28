package org.scenothesis.core.key;

import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// The subject's own colour: the cloth's share taken out of mixed pixels, then the screen channel limited by the other two.
///
/// The luminance that the limit takes is given back in grey, so that skin does not go dark.
final class Despill {
    private static final float[] LUMA = {0.2126f, 0.7152f, 0.0722f};

    private Despill() {}

    static Picture element(Picture frame, Keyer.Mix mix, Plane alpha, double amount, Bands bands) {
        Picture out = Picture.of(frame.width(), frame.height());
        int screen = mix.model().hue() == ScreenHue.GREEN ? 1 : 2;
        int other = 3 - screen;
        List<Plane> c = frame.colours();
        List<Plane> s = mix.model().colour().colours();
        bands.run(frame.height(), (from, to, band) -> {
            float[] own = new float[3];
            for (int i = from * frame.width(); i < to * frame.width(); i++) {
                float a = alpha.data()[i];
                for (int k = 0; k < 3; k++) {
                    float near = mix.colour().get(k).data()[i];
                    float cloth = s.get(k).data()[i] * mix.shade().data()[i];
                    own[k] = a >= 1 ? c.get(k).data()[i] : colour(c.get(k).data()[i], cloth, near, a);
                }
                limit(own, screen, other, (float) amount);
                for (int k = 0; k < 3; k++) {
                    out.colours().get(k).data()[i] = own[k];
                }
            }
        });
        return out;
    }

    /// Unmixed where enough of the subject is there to divide by, leaning on the nearest solid colour where it is not.
    private static float colour(float c, float cloth, float near, float a) {
        if (a < 0.02f) {
            return near;
        }
        float own = Math.clamp((c - (1 - a) * cloth) / a, 0f, Math.max(2 * near, 0.05f) + c);
        float trust = Math.min(1, a * a * 1.6f);
        return near + (own - near) * trust;
    }

    static void limit(float[] own, int screen, int other, float amount) {
        float most = 0.5f * (own[0] + own[other]) * 0.35f + Math.max(own[0], own[other]) * 0.65f;
        float over = (own[screen] - most) * amount;
        if (over > 0) {
            own[screen] -= over;
            float back = over * LUMA[screen] * 0.35f;
            for (int k = 0; k < 3; k++) {
                own[k] += back;
            }
        }
    }
}
