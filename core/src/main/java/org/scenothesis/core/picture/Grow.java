package org.scenothesis.core.picture;

/// Widens and narrows a plane by whole pixels: the largest or smallest value within a square.
public final class Grow {
    private Grow() {}

    /// Largest value within `radius` pixels on each side.
    public static Plane most(Plane in, int radius, Bands bands) {
        return radius == 0 ? in.copy() : Blur.transpose(rows(Blur.transpose(rows(in, radius, 1, bands), bands), radius, 1, bands), bands);
    }

    /// Smallest value within `radius` pixels on each side.
    public static Plane least(Plane in, int radius, Bands bands) {
        return radius == 0 ? in.copy() : Blur.transpose(rows(Blur.transpose(rows(in, radius, -1, bands), bands), radius, -1, bands), bands);
    }

    /// The largest of a window by doubling: the largest of 2, 4, 8 … neighbours, and two of the last that overlap.
    private static Plane rows(Plane in, int radius, int sign, Bands bands) {
        int w = in.width();
        int window = 2 * radius + 1;
        Plane out = Plane.of(w, in.height());
        bands.run(in.height(), (from, to, band) -> {
            int n = w + 2 * radius;
            float[] best = new float[n];
            for (int y = from; y < to; y++) {
                java.util.Arrays.fill(best, Float.NEGATIVE_INFINITY);
                for (int x = 0; x < w; x++) {
                    best[x + radius] = sign * in.data()[y * w + x];
                }
                int span = 1;
                for (; 2 * span <= window; span *= 2) {
                    for (int x = 0; x + span < n; x++) {
                        best[x] = best[x] > best[x + span] ? best[x] : best[x + span];
                    }
                }
                int rest = window - span;
                for (int x = 0; x < w; x++) {
                    out.data()[y * w + x] = sign * Math.max(best[x], best[x + rest]);
                }
            }
        });
        return out;
    }
}
