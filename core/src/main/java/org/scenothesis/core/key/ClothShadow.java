package org.scenothesis.core.key;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.scenothesis.core.Robust;
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
    /// From the median of what normal noise is off by to its standard deviation.
    private static final double DEVIATION = 1.4826;
    /// Less than this of its light is a shadow over most of the cloth, and no drift.
    private static final float LEAST_USUAL = 0.8f;
    private static final int EVERY = 31;

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
                float lit = bare - Math.max(cloth[1][i], cloth[2][i]);
                if (lit > 0.01f && s > DARKEST * bare && lead * bare > ALIKE * lit * s) {
                    kept.data()[i] = Math.min(2, s / bare);
                    sure.data()[i] = 1;
                }
            }
        });
        // The light of a take may drift: most of the cloth tells what it is now.
        double[] some = some(kept.data(), sure.data());
        float usual = some.length == 0 ? 1 : Math.clamp((float) Robust.median(some), LEAST_USUAL, 1 / LEAST_USUAL);
        float noise = Math.max(LEAST_NOISE, (float) (DEVIATION * Robust.median(Arrays.stream(some).map(k -> Math.abs(k / usual - 1))
                .toArray())));
        Plane sum = Blur.gaussian(kept, CALM_PX, bands);
        Plane number = Blur.gaussian(sure, CALM_PX, bands);
        bands.run(frame.height(), (from, to, band) -> {
            for (int i = from * w; i < to * w; i++) {
                float n = number.data()[i];
                boolean known = sure.data()[i] > 0 && n > 0.5f;
                kept.data()[i] = known ? lost(sum.data()[i] / n / usual, noise) : 0;
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

    private static double[] some(float[] kept, float[] sure) {
        return IntStream.iterate(0, i -> i < kept.length, i -> i + EVERY).filter(i -> sure[i] > 0).mapToDouble(i -> kept[i]).toArray();
    }
}
