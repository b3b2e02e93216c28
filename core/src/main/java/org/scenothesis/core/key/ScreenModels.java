package org.scenothesis.core.key;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.PushPull;

/// Builds screen models from the screen-only frame or from one frame; [TakeScreen] does from a whole take.
public final class ScreenModels {
    static final double PLATE_SIGMA_PX = 0.7;
    private static final double FRAME_SIGMA_PX = 3;
    private static final int USUAL_WIDTH = 1280;

    private ScreenModels() {}

    /// From the screen-only frame, a little smoothed against its noise.
    public static ScreenModel fromPlate(Picture plate, Bands bands) {
        ScreenHue hue = ScreenHue.of(plate);
        return new ScreenModel(
                Blur.gaussian(plate.withAlpha(null), PLATE_SIGMA_PX, bands), hue, ScreenModel.Source.SCREEN_PLATE,
                Cloth.outline(likely(plate, hue)));
    }

    /// From one frame: sure screen pixels, continued smoothly under the subject. Null when the frame shows no screen colour.
    public static @Nullable ScreenModel fromFrame(Picture frame, Bands bands) {
        ScreenHue hue = ScreenHue.of(frame);
        Plane sure = Morphology.erode(likely(frame, hue), margin(frame, 3), bands);
        if (share(sure) < 0.005) {
            return null;
        }
        List<Plane> filled = PushPull.fill(weighted(frame, sure, bands), sure, bands);
        List<Plane> smooth = filled.stream().map(p -> Blur.gaussian(p, FRAME_SIGMA_PX, bands)).toList();
        return new ScreenModel(new Picture(smooth.get(0), smooth.get(1), smooth.get(2), null), hue, ScreenModel.Source.FRAME,
                Cloth.outline(sure));
    }

    /// How far a sure pixel lies from any other: `px` in usual pictures, more in larger ones, where edges and reflections are as much
    /// wider.
    static int margin(Picture frame, int px) {
        return Math.max(px, px * frame.width() / USUAL_WIDTH);
    }

    private static List<Plane> weighted(Picture frame, Plane sure, Bands bands) {
        // Blur within the sure pixels only, so that the subject's colour does not leak in.
        Plane weight = Blur.gaussian(sure, FRAME_SIGMA_PX, bands);
        return frame.colours().stream().map(p -> {
            Plane product = Plane.of(p.width(), p.height());
            for (int i = 0; i < product.data().length; i++) {
                product.data()[i] = p.data()[i] * sure.data()[i];
            }
            Plane blurred = Blur.gaussian(product, FRAME_SIGMA_PX, bands);
            for (int i = 0; i < product.data().length; i++) {
                blurred.data()[i] = sure.data()[i] > 0 ? blurred.data()[i] / Math.max(1e-4f, weight.data()[i]) : 0;
            }
            return blurred;
        }).toList();
    }

    /// 1 where a pixel's colour is the cloth's: its screen channel leads by nearly as much as that of the typical cloth pixel.
    static Plane likely(Picture p, ScreenHue hue) {
        float[] s = hue.screen(p).data();
        float[] a = hue.first(p).data();
        float[] b = hue.second(p).data();
        float[] lead = new float[s.length / 5 + 1];
        int n = 0;
        for (int i = 0; i < s.length; i += 5) {
            if (s[i] > 0.02f && s[i] > 1.5f * Math.max(a[i], b[i])) {
                lead[n++] = Math.max(a[i], b[i]) / s[i];
            }
        }
        Arrays.sort(lead, 0, n);
        float typical = n == 0 ? 0 : lead[n / 2];
        float limit = n == 0 ? -1 : typical + Math.max(0.05f, 0.25f * (1 - typical));
        float darkest = n == 0 ? 0 : 0.02f;
        Plane out = Plane.of(p.width(), p.height());
        for (int i = 0; i < s.length; i++) {
            out.data()[i] = s[i] > darkest && Math.max(a[i], b[i]) < limit * s[i] ? 1 : 0;
        }
        return out;
    }

    static double share(Plane p) {
        double sum = 0;
        for (float v : p.data()) {
            sum += v;
        }
        return sum / p.data().length;
    }
}
