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

    private static Plane rows(Plane in, int radius, int sign, Bands bands) {
        int w = in.width();
        Plane out = Plane.of(w, in.height());
        bands.run(in.height(), (from, to, band) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < w; x++) {
                    float best = sign * in.data()[y * w + x];
                    for (int k = Math.max(0, x - radius); k <= Math.min(w - 1, x + radius); k++) {
                        best = Math.max(best, sign * in.data()[y * w + k]);
                    }
                    out.data()[y * w + x] = sign * best;
                }
            }
        });
        return out;
    }
}
