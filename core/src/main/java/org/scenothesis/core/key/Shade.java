package org.scenothesis.core.key;

import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Fill;
import org.scenothesis.core.picture.Grow;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// How bright the cloth is in this frame against its model: measured on pixels of the cloth's own hue, smooth, continued under the subject.
///
/// A soft shadow or a passing cloud changes it; a thin dark hair, which has nearly the hue of shadowed cloth, must not: pixels darker than their
/// surroundings are left out.
final class Shade {
    private static final double SIGMA_PX = 5;
    private static final float HUE = 0.16f;
    private static final float DARKEST = 0.3f;

    private Shade() {}

    static Plane of(Picture frame, ScreenModel model, Bands bands) {
        int w = frame.width();
        int h = frame.height();
        Plane level = Plane.of(w, h);
        Plane sure = Plane.of(w, h);
        List<Plane> c = frame.colours();
        List<Plane> s = model.colour().colours();
        bands.run(h, (from, to, band) -> {
            for (int i = from * w; i < to * w; i++) {
                compare(c, s, i, level, sure);
            }
        });
        Plane core = Grow.least(sure, 2, bands);
        Plane rough = smooth(level, core, bands);
        for (int i = 0; i < core.data().length; i++) {
            if (level.data()[i] < rough.data()[i] - 0.12f) {
                core.data()[i] = 0;
            }
        }
        Plane fine = smooth(level, core, bands);
        for (int i = 0; i < fine.data().length; i++) {
            fine.data()[i] = fine.data()[i] > 0.05f ? Math.min(fine.data()[i], 4f) : 1;
        }
        return fine;
    }

    private static void compare(List<Plane> c, List<Plane> s, int i, Plane level, Plane sure) {
        float dot = 0;
        float cloth = 0;
        for (int k = 0; k < 3; k++) {
            dot += c.get(k).data()[i] * s.get(k).data()[i];
            cloth += s.get(k).data()[i] * s.get(k).data()[i];
        }
        if (cloth < 1e-6f) {
            return;
        }
        float k = dot / cloth;
        float off = 0;
        for (int j = 0; j < 3; j++) {
            float d = c.get(j).data()[i] - k * s.get(j).data()[i];
            off += d * d;
        }
        if (k > DARKEST && off < HUE * HUE * k * k * cloth) {
            level.data()[i] = k;
            sure.data()[i] = 1;
        }
    }

    private static Plane smooth(Plane level, Plane weight, Bands bands) {
        Plane product = Plane.of(level.width(), level.height());
        for (int i = 0; i < product.data().length; i++) {
            product.data()[i] = level.data()[i] * weight.data()[i];
        }
        Plane sum = Blur.gaussian(product, SIGMA_PX, bands);
        Plane norm = Blur.gaussian(weight, SIGMA_PX, bands);
        for (int i = 0; i < sum.data().length; i++) {
            float n = norm.data()[i];
            sum.data()[i] = n > 0.02f ? sum.data()[i] / n : 0;
            norm.data()[i] = n > 0.02f ? Math.min(1, n * 4) : 0;
        }
        return Fill.spread(List.of(sum), norm, bands).getFirst();
    }
}
