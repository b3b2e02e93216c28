package org.scenothesis.core.match;

import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.CodeCurve;
import org.scenothesis.core.picture.Picture;

/// Two pictures of one lock laid over each other in one of several ways.
public enum Comparison {
    TAKE,
    REFERENCE,
    OVER,
    DIFFERENCE,
    OUTLINE;

    private static final CodeCurve CURVE = new CodeCurve();

    /// The picture to show; where shapes differ, the take alone.
    public Picture of(Picture take, Picture reference, Bands bands) {
        if (!take.sameShape(reference)) {
            return take;
        }
        return switch (this) {
            case TAKE -> take;
            case REFERENCE -> reference;
            case OVER -> mix(take, reference, bands, (a, b) -> 0.5f * (a + b));
            case DIFFERENCE -> mix(take, reference, bands, (a, b) -> {
                float d = 4 * (CURVE.code(a) - CURVE.code(b));
                return 0.18f * Math.max(0, 1 + d);
            });
            case OUTLINE -> outline(take, reference, bands);
        };
    }

    private interface Pixel {
        float of(float take, float reference);
    }

    private static Picture mix(Picture a, Picture b, Bands bands, Pixel pixel) {
        Picture out = Picture.of(a.width(), a.height());
        for (int c = 0; c < 3; c++) {
            float[] x = a.colours().get(c).data();
            float[] y = b.colours().get(c).data();
            float[] to = out.colours().get(c).data();
            bands.run(a.height(), (from, end, band) -> {
                for (int i = from * a.width(); i < end * a.width(); i++) {
                    to[i] = pixel.of(x[i], y[i]);
                }
            });
        }
        return out;
    }

    /// The take with the reference's edges drawn on it in yellow.
    private static Picture outline(Picture take, Picture ref, Bands bands) {
        Picture out = take.copy();
        int w = take.width();
        float[] g = ref.g().data();
        bands.run(take.height() - 1, (from, end, band) -> {
            for (int y = Math.max(1, from); y < end; y++) {
                for (int x = 1; x < w - 1; x++) {
                    int i = y * w + x;
                    float c = CURVE.code(g[i]);
                    float edge = Math.abs(CURVE.code(g[i + 1]) - c) + Math.abs(CURVE.code(g[i + w]) - c);
                    if (edge > 0.12f) {
                        out.r().data()[i] = 0.90f;
                        out.g().data()[i] = 0.55f;
                        out.b().data()[i] = 0.05f;
                    }
                }
            }
        });
        return out;
    }
}
