package org.scenothesis.core.picture;

import java.util.Arrays;

/// Widens and narrows a plane by whole pixels: the largest or smallest value within a square.
///
/// Cost: a window of any size by doubling, the largest of 2, 4, 8 … neighbours, and two of the last that overlap.
public final class Morphology {
    private Morphology() {}

    /// Largest value within `radius` pixels on each side.
    public static Plane dilate(Plane in, int radius, Bands bands) {
        return radius == 0 ? in.copy() : columns(rows(in, radius, 1, bands), radius, 1, bands);
    }

    /// Smallest value within `radius` pixels on each side.
    public static Plane erode(Plane in, int radius, Bands bands) {
        return radius == 0 ? in.copy() : columns(rows(in, radius, -1, bands), radius, -1, bands);
    }

    /// Along the rows; the result is still of the sign worked with.
    private static Plane rows(Plane in, int radius, int sign, Bands bands) {
        int w = in.width();
        int n = w + 2 * radius;
        Plane out = Plane.of(w, in.height());
        bands.run(in.height(), (from, to, band) -> {
            float[] best = new float[n];
            for (int y = from; y < to; y++) {
                Arrays.fill(best, Float.NEGATIVE_INFINITY);
                signed(in.data(), y * w, best, radius, w, sign);
                int span = 1;
                for (; 2 * span <= 2 * radius + 1; span *= 2) {
                    Spans.larger(best, best, best, new Spans.Run(0, span, 0, n - span));
                }
                Spans.larger(best, best, out.data(), new Spans.Run(0, 2 * radius + 1 - span, y * w, w));
            }
        });
        return out;
    }

    private static Plane columns(Plane in, int radius, int sign, Bands bands) {
        int w = in.width();
        Plane out = Plane.of(w, in.height());
        bands.run(in.height(), (from, to, band) -> {
            int lines = to - from + 2 * radius;
            float[] best = new float[lines * w];
            for (int i = 0; i < lines; i++) {
                int y = Math.clamp(from - radius + i, 0, in.height() - 1);
                System.arraycopy(in.data(), y * w, best, i * w, w);
            }
            int span = 1;
            for (; 2 * span <= 2 * radius + 1; span *= 2) {
                Spans.larger(best, best, best, new Spans.Run(0, span * w, 0, (lines - span) * w));
            }
            int n = (to - from) * w;
            Spans.larger(best, best, out.data(), new Spans.Run(0, (2 * radius + 1 - span) * w, from * w, n));
            signed(out.data(), from * w, out.data(), from * w, n, sign);
        });
        return out;
    }

    private static void signed(float[] in, int from, float[] out, int at, int n, int sign) {
        for (int i = 0; i < n; i++) {
            out[at + i] = sign * in[from + i];
        }
    }
}
