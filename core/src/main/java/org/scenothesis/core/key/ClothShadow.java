package org.scenothesis.core.key;

import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.PushPull;

/// How much of its light the cloth keeps in the subject's shadow.
///
/// Unlike [Shade], which must take no dark hair for a shadow and so leaves out what is narrow or very dark, it believes whatever leads by
/// the screen's channel about as the cloth does, however dark and narrow: the shadow of a hard sun is both. What else is dark and green
/// lies under the element, where it is hardly seen. Under the subject the shadow is continued.
final class ClothShadow {
    /// Of the cloth's lead over its own brightness; a shadow may be lit by a sky of another colour.
    private static final float ALIKE = 0.55f;
    private static final float DARKEST = 0.02f;
    private static final double CALM_PX = 0.7;
    /// Of the noise: up to here nothing is missing, from there on all that is.
    private static final float NOTHING = 2;
    private static final float ALL = 5;
    private static final float LEAST_NOISE = 0.004f;
    private static final int EVERY = 7;

    private ClothShadow() {}

    static Plane of(Picture frame, ScreenModel model, Bands bands) {
        ScreenHue hue = model.hue();
        float[][] seen = {hue.screen(frame).data(), hue.first(frame).data(), hue.second(frame).data()};
        float[][] cloth = {hue.screen(model.colour()).data(), hue.first(model.colour()).data(), hue.second(model.colour()).data()};
        int w = frame.width();
        Plane kept = Plane.of(w, frame.height());
        Plane sure = Plane.of(w, frame.height());
        bands.run(frame.height(), (from, to, band) -> {
            for (int i = from * w; i < to * w; i++) {
                float s = seen[0][i];
                float bare = cloth[0][i];
                float lead = s - Math.max(seen[1][i], seen[2][i]);
                float usual = bare - Math.max(cloth[1][i], cloth[2][i]);
                if (usual > 0.01f && s > DARKEST * bare && lead * bare > ALIKE * usual * s) {
                    kept.data()[i] = Math.min(2, s / bare);
                    sure.data()[i] = 1;
                }
            }
        });
        float noise = Math.max(LEAST_NOISE, noise(kept.data(), sure.data()));
        Plane sum = Blur.gaussian(kept, CALM_PX, bands);
        Plane number = Blur.gaussian(sure, CALM_PX, bands);
        bands.run(frame.height(), (from, to, band) -> {
            for (int i = from * w; i < to * w; i++) {
                float n = number.data()[i];
                boolean known = sure.data()[i] > 0 && n > 0.5f;
                kept.data()[i] = known ? lost(sum.data()[i] / n, noise) : 0;
                sure.data()[i] = known ? 1 : 0;
            }
        });
        return PushPull.fill(List.of(kept), sure, bands).getFirst();
    }

    /// What is hardly less than all is all: else noise would darken everything a little.
    private static float lost(float kept, float noise) {
        float t = Math.clamp((1 - kept - NOTHING * noise) / ((ALL - NOTHING) * noise), 0, 1);
        return kept >= 1 ? 1 : 1 - (1 - kept) * t * t * (3 - 2 * t);
    }

    /// The deviation of bare cloth from its model.
    private static float noise(float[] kept, float[] sure) {
        float[] off = new float[kept.length / EVERY + 1];
        int n = 0;
        for (int i = 0; i < kept.length; i += EVERY) {
            if (sure[i] > 0) {
                off[n++] = Math.abs(1 - kept[i]);
            }
        }
        Arrays.sort(off, 0, n);
        return n == 0 ? 0 : 1.4826f * off[n / 2];
    }
}
