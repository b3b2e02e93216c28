package org.scenothesis.core.rehearsal.trace;

/// Repeatable value noise and hashes for textures and random numbers.
public final class Noise {
    private Noise() {}

    /// A number all of whose bits depend on all of these (the finalizer of SplitMix64).
    public static long mix(long z) {
        z = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
        z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
        return z ^ (z >>> 31);
    }

    /// Uniform in [0, 1).
    static double unit(long key) {
        return (mix(key) >>> 11) * 0x1.0p-53;
    }

    static double hash(int x, int y) {
        return unit(x * 0x9E3779B97F4A7C15L + y * 0xC2B2AE3D27D4EB4FL + 12345);
    }

    static double value(double x, double y) {
        int ix = (int) Math.floor(x);
        int iy = (int) Math.floor(y);
        double fx = smooth(x - ix);
        double fy = smooth(y - iy);
        double top = hash(ix, iy) * (1 - fx) + hash(ix + 1, iy) * fx;
        double low = hash(ix, iy + 1) * (1 - fx) + hash(ix + 1, iy + 1) * fx;
        return top * (1 - fy) + low * fy;
    }

    private static double smooth(double t) {
        return t * t * (3 - 2 * t);
    }

    /// Octaves of value noise, about [0, 1].
    static double fractal(double x, double y, int octaves) {
        double sum = 0;
        double weight = 0.5;
        for (int i = 0; i < octaves; i++) {
            sum += weight * value(x, y);
            x = x * 2.03 + 17.3;
            y = y * 2.03 - 9.1;
            weight /= 2;
        }
        return sum;
    }
}
