package org.scenothesis.core.picture;

import java.util.function.DoubleUnaryOperator;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/// A smooth function of one value over an interval as a polynomial of degree 8, interpolated at Chebyshev nodes.
///
/// Source: Trefethen, Approximation Theory and Approximation Practice, 2013.
final class Chebyshev {
    private static final VectorSpecies<Float> S = FloatVector.SPECIES_PREFERRED;
    private static final int DEGREE = 8;

    private final float[] c;
    private final float scale;
    private final float shift;

    Chebyshev(DoubleUnaryOperator f, double from, double to) {
        c = powers(f, from, to);
        scale = (float) (2 / (to - from));
        shift = (float) (-(to + from) / (to - from));
    }

    /// Coefficients of the powers of t, which is −1 at `from` and 1 at `to`.
    private static float[] powers(DoubleUnaryOperator f, double from, double to) {
        int n = DEGREE + 1;
        double[] sums = new double[n];
        double[] before = new double[n];
        double[] now = new double[n];
        // The polynomials by their recurrence, T(k + 1) = 2t·T(k) − T(k − 1), begun at T(−1) = t so that T(1) comes out right.
        before[1] = 1;
        now[0] = 1;
        for (int k = 0; k < n; k++) {
            double share = share(f, from, to, k);
            double[] next = new double[n];
            for (int i = 0; i < n; i++) {
                sums[i] += (k == 0 ? 0.5 : 1) * share * now[i];
                next[i] = (i == 0 ? 0 : 2 * now[i - 1]) - before[i];
            }
            before = now;
            now = next;
        }
        float[] out = new float[n];
        for (int i = 0; i < n; i++) {
            out[i] = (float) sums[i];
        }
        return out;
    }

    private static double share(DoubleUnaryOperator f, double from, double to, int k) {
        int n = DEGREE + 1;
        double sum = 0;
        for (int j = 0; j < n; j++) {
            double angle = Math.PI * (j + 0.5) / n;
            sum += f.applyAsDouble(from + (to - from) * (Math.cos(angle) + 1) / 2) * Math.cos(k * angle);
        }
        return 2 * sum / n;
    }

    float of(float x) {
        float t = x * scale + shift;
        float sum = c[DEGREE];
        for (int k = DEGREE - 1; k >= 0; k--) {
            sum = Math.fma(sum, t, c[k]);
        }
        return sum;
    }

    FloatVector of(FloatVector x) {
        return powers(c, x.mul(scale).add(shift));
    }

    private static FloatVector powers(float[] c, FloatVector t) {
        FloatVector high = k(c[8]).fma(t, k(c[7])).fma(t, k(c[6])).fma(t, k(c[5])).fma(t, k(c[4]));
        return high.fma(t, k(c[3])).fma(t, k(c[2])).fma(t, k(c[1])).fma(t, k(c[0]));
    }

    private static FloatVector k(float v) {
        return FloatVector.broadcast(S, v);
    }
}
