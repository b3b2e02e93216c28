package org.scenothesis.core.key;

import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.PushPull;
import org.scenothesis.core.picture.Resample;

/// How bright the cloth is in this frame against its model: measured on pixels of the cloth's own hue, smooth, continued under the subject.
///
/// - A soft shadow or a passing cloud changes it; a thin dark hair and the edge of something dark, which have nearly the hue of shadowed
///   cloth, must not: what is darker than all bare cloth within a few pixels is left out.
/// - Smooth over five pixels, so it is found at half the size; sizes here are of that.
final class Shade {
    private static final double SIGMA_PX = 2.5;
    private static final float HUE = 0.03f;
    private static final float DARKEST = 0.3f;
    private static final float DARKER = 0.03f;
    private static final int THIN_PX = 2;
    private static final int USUAL_WIDTH = 640;

    private Shade() {}

    static Plane of(Picture frame, ScreenModel model, Bands bands) {
        Picture seen = half(frame, bands);
        Picture cloth = half(model.colour(), bands);
        int w = seen.width();
        int h = seen.height();
        Plane level = Plane.of(w, h);
        Plane sure = Plane.of(w, h);
        bands.run(h, (from, to, band) -> compare(seen, cloth, from * w, to * w, level.data(), sure.data()));
        Plane core = Morphology.erode(sure, 1, bands);
        Keyer.multiply(level, core);
        int reach = Math.max(THIN_PX, THIN_PX * w / USUAL_WIDTH);
        Plane closed = Morphology.erode(Morphology.dilate(level, reach, bands), reach, bands);
        for (int i = 0; i < level.data().length; i++) {
            core.data()[i] = core.data()[i] > 0 && closed.data()[i] - level.data()[i] < DARKER ? 1 : 0;
        }
        Keyer.multiply(level, core);
        Plane fine = smooth(level, core, bands);
        bands.run(h, (from, to, band) -> bound(fine.data(), from * w, to * w));
        return Resample.twice(fine, frame.width(), frame.height(), bands);
    }

    private static Picture half(Picture p, Bands bands) {
        return new Picture(Resample.half(p.r(), bands), Resample.half(p.g(), bands), Resample.half(p.b(), bands), null);
    }

    /// Brightness against the model where the hue is the cloth's, and where that is.
    private static void compare(Picture frame, Picture model, int from, int to, float[] level, float[] sure) {
        float[] r = frame.r().data();
        float[] g = frame.g().data();
        float[] b = frame.b().data();
        float[] mr = model.r().data();
        float[] mg = model.g().data();
        float[] mb = model.b().data();
        for (int i = from; i < to; i++) {
            float cloth = mr[i] * mr[i] + mg[i] * mg[i] + mb[i] * mb[i];
            float k = (r[i] * mr[i] + g[i] * mg[i] + b[i] * mb[i]) / Math.max(cloth, 1e-6f);
            float dr = r[i] - k * mr[i];
            float dg = g[i] - k * mg[i];
            float db = b[i] - k * mb[i];
            boolean own = cloth >= 1e-6f && k > DARKEST && dr * dr + dg * dg + db * db < HUE * HUE * k * k * cloth;
            level[i] = own ? k : 0;
            sure[i] = own ? 1 : 0;
        }
    }

    private static void bound(float[] shade, int from, int to) {
        for (int i = from; i < to; i++) {
            shade[i] = shade[i] > 0.05f ? Math.min(shade[i], 4f) : 1;
        }
    }

    private static Plane smooth(Plane level, Plane weight, Bands bands) {
        Plane sum = Blur.gaussian(level, SIGMA_PX, bands);
        Plane norm = Blur.gaussian(weight, SIGMA_PX, bands);
        for (int i = 0; i < sum.data().length; i++) {
            float n = norm.data()[i];
            sum.data()[i] = n > 0.02f ? sum.data()[i] / n : 0;
            norm.data()[i] = n > 0.02f ? Math.min(1, n * 4) : 0;
        }
        return PushPull.fill(List.of(sum), norm, bands).getFirst();
    }
}
