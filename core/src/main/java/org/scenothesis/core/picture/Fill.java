package org.scenothesis.core.picture;

import java.util.List;

/// Spreads known values smoothly over unknown ones, nearest knowledge counting most.
///
/// Source: push-pull pyramid, Gortler et al. 1996. Linear in the number of pixels.
public final class Fill {
    private Fill() {}

    /// Planes that keep `values` where `weight` is 1 and continue them where it is less; all shapes equal.
    ///
    /// Where nothing is known at all the result is 0.
    public static List<Plane> spread(List<Plane> values, Plane weight, Bands bands) {
        if (weight.width() == 1 && weight.height() == 1) {
            return values;
        }
        int w = (weight.width() + 1) / 2;
        int h = (weight.height() + 1) / 2;
        Plane coarseWeight = Plane.of(w, h);
        List<Plane> coarse = values.stream().map(v -> Plane.of(w, h)).toList();
        bands.run(h, (from, to, band) -> {
            for (int y = from; y < to; y++) {
                push(values, weight, coarse, coarseWeight, y);
            }
        });
        List<Plane> known = spread(coarse, coarseWeight, bands);
        List<Plane> out = values.stream().map(v -> Plane.of(v.width(), v.height())).toList();
        bands.run(weight.height(), (from, to, band) -> {
            for (int c = 0; c < out.size(); c++) {
                pull(values.get(c), weight, known.get(c), out.get(c), from, to);
            }
        });
        return out;
    }

    private static void push(List<Plane> values, Plane weight, List<Plane> coarse, Plane coarseWeight, int y) {
        int w = weight.width();
        int bottom = Math.min(weight.height() - 1, 2 * y + 1);
        for (int x = 0; x < coarseWeight.width(); x++) {
            int right = Math.min(w - 1, 2 * x + 1);
            int[] at = {2 * y * w + 2 * x, 2 * y * w + right, bottom * w + 2 * x, bottom * w + right};
            float sum = 0;
            for (int i : at) {
                sum += weight.data()[i];
            }
            int to = y * coarseWeight.width() + x;
            coarseWeight.data()[to] = Math.min(1, sum);
            for (int c = 0; sum > 0 && c < values.size(); c++) {
                float v = 0;
                for (int i : at) {
                    v += weight.data()[i] * values.get(c).data()[i];
                }
                coarse.get(c).data()[to] = v / sum;
            }
        }
    }

    private static void pull(Plane values, Plane weight, Plane coarse, Plane out, int from, int to) {
        int w = weight.width();
        for (int y = from; y < to; y++) {
            for (int x = 0; x < w; x++) {
                int i = y * w + x;
                float k = weight.data()[i];
                out.data()[i] = k >= 1 ? values.data()[i] : k * values.data()[i] + (1 - k) * Resample.linear(coarse, (x + 0.5) / 2, (y + 0.5) / 2);
            }
        }
    }
}
