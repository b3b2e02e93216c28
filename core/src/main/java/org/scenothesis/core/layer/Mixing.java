package org.scenothesis.core.layer;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// The arithmetic of layers, all in place on the base, in scene-linear light.
///
/// Source: Porter & Duff 1984.
final class Mixing {
    private Mixing() {}

    /// Lays a straight-alpha element over the base: `base = element·alpha·presence + base·(1 − alpha·presence)`.
    static void over(Picture base, Picture element, double presence, Bands bands) {
        float k = (float) presence;
        float[] a = element.alpha().data();
        for (int c = 0; c < 3; c++) {
            float[] to = base.colours().get(c).data();
            float[] from = element.colours().get(c).data();
            bands.run(base.height(), (first, end, band) -> {
                for (int i = first * base.width(); i < end * base.width(); i++) {
                    float m = a[i] * k;
                    to[i] += m * (from[i] - to[i]);
                }
            });
        }
    }

    /// Takes `density` of the key away; what stays is the fill, slightly cool as daylight fill is.
    static void darken(Picture base, Plane density, double presence, Bands bands) {
        float[] tint = {1.03f, 1.0f, 0.95f};
        for (int c = 0; c < 3; c++) {
            float[] to = base.colours().get(c).data();
            float k = (float) presence * tint[c];
            bands.run(base.height(), (first, end, band) -> {
                for (int i = first * base.width(); i < end * base.width(); i++) {
                    to[i] *= Math.max(0, 1 - density.data()[i] * k);
                }
            });
        }
    }

    /// Adds the light that `lit` has more than `unlit`, within a mask.
    static void addLight(Picture base, Picture lit, Picture unlit, @Nullable Plane mask, double factor, Bands bands) {
        float k = (float) factor;
        for (int c = 0; c < 3; c++) {
            float[] to = base.colours().get(c).data();
            float[] on = lit.colours().get(c).data();
            float[] off = unlit.colours().get(c).data();
            bands.run(base.height(), (first, end, band) -> {
                for (int i = first * base.width(); i < end * base.width(); i++) {
                    float m = mask == null ? 1 : mask.data()[i];
                    to[i] += k * m * Math.max(0, on[i] - off[i]);
                }
            });
        }
    }

    /// The picture multiplied by gains per channel; alpha untouched.
    static Picture gained(Picture p, Gains g, Bands bands) {
        double[] gains = {g.r(), g.g(), g.b()};
        Picture out = Picture.of(p.width(), p.height());
        for (int c = 0; c < 3; c++) {
            float k = (float) gains[c];
            float[] from = p.colours().get(c).data();
            float[] to = out.colours().get(c).data();
            bands.run(p.height(), (first, end, band) -> {
                for (int i = first * p.width(); i < end * p.width(); i++) {
                    to[i] = from[i] * k;
                }
            });
        }
        return out.withAlpha(p.a());
    }
}
