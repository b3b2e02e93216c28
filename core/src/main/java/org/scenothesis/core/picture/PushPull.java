package org.scenothesis.core.picture;

import java.util.List;
import java.util.stream.IntStream;

/// Spreads known values smoothly over unknown ones, nearest knowledge counting most.
///
/// Source: push-pull pyramid, Gortler et al. 1996. Linear in the number of pixels.
public final class PushPull {
    private PushPull() {}

    /// Planes that keep `values` where `weight` is 1 and continue them where it is less; all shapes equal.
    ///
    /// Where nothing is known at all the result is 0.
    public static List<Plane> fill(List<Plane> values, Plane weight, Bands bands) {
        if (weight.width() == 1 && weight.height() == 1) {
            return values;
        }
        Plane sum = Resample.half(weight, bands);
        List<Plane> coarse = values.stream().map(v -> known(v, weight, sum, bands)).toList();
        // Four times their mean is the sum of the four weights.
        for (int i = 0; i < sum.data().length; i++) {
            sum.data()[i] = Math.min(1, 4 * sum.data()[i]);
        }
        List<Plane> further = fill(coarse, sum, bands);
        return IntStream.range(0, values.size()).mapToObj(c -> keep(values.get(c), weight, further.get(c), bands)).toList();
    }

    /// The mean of what is known of each four pixels.
    private static Plane known(Plane values, Plane weight, Plane mean, Bands bands) {
        Plane out = Resample.half(values, weight, bands);
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = mean.data()[i] > 0 ? out.data()[i] / mean.data()[i] : 0;
        }
        return out;
    }

    private static Plane keep(Plane values, Plane weight, Plane coarse, Bands bands) {
        int w = values.width();
        Plane out = Resample.twice(coarse, w, values.height(), bands);
        bands.run(values.height(), (from, to, band) -> {
            float[] v = values.data();
            float[] k = weight.data();
            float[] o = out.data();
            for (int i = from * w; i < to * w; i++) {
                float known = Math.min(1, k[i]);
                o[i] += known * (v[i] - o[i]);
            }
        });
        return out;
    }
}
