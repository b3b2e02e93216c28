package org.scenothesis.core.rehearsal.trace;

/// Well-spread random numbers: Kronecker sequences turned by a hash of pixel and dimension, plain hashes beyond.
///
/// The same pixel and sample always give the same numbers, so two renders of nearly the same set differ only where the set does.
public final class Sampler {
    private static final double[] STEP = new double[24];

    static {
        int[] primes = {2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 67, 71, 73, 79, 83, 89};
        for (int i = 0; i < STEP.length; i++) {
            STEP[i] = Math.sqrt(primes[i]) % 1;
        }
    }

    private long key;
    private int sample;
    private int dimension;

    /// Begins a sample of a pixel; the same three numbers give the same sequence.
    public void start(long seed, int pixel, int sampleIndex) {
        key = Noise.mix(seed * 0x9E3779B97F4A7C15L + pixel);
        sample = sampleIndex;
        dimension = 0;
    }

    /// The next number of the sequence, in [0, 1).
    public double next() {
        int d = dimension++;
        if (d < STEP.length) {
            double v = Noise.unit(key + d * 0xD1B54A32D192ED03L) + sample * STEP[d];
            return v - Math.floor(v);
        }
        return Noise.unit(key + d * 0xD1B54A32D192ED03L + sample * 0x8CB92BA72F3D8DD7L);
    }
}
