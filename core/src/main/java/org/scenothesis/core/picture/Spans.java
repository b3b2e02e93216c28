package org.scenothesis.core.picture;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/// Loops over runs of pixels that the compiler would not put into vectors by itself, because source and target may be one array.
///
/// Each agrees with the plain loop of its tail; a source may lie in the target if it lies at the same place or further on.
final class Spans {
    private static final VectorSpecies<Float> S = FloatVector.SPECIES_PREFERRED;

    private Spans() {}

    /// A run of `n` values in two sources and a target.
    record Run(int a, int b, int out, int n) {}

    /// `out = max(a, b)`.
    static void larger(float[] a, float[] b, float[] out, Run r) {
        int i = 0;
        for (; i <= r.n - S.length(); i += S.length()) {
            FloatVector.fromArray(S, a, r.a + i).max(FloatVector.fromArray(S, b, r.b + i)).intoArray(out, r.out + i);
        }
        for (; i < r.n; i++) {
            out[r.out + i] = Math.max(a[r.a + i], b[r.b + i]);
        }
    }

    /// `out += a·weight`; `b` is not used.
    static void addWeighted(float[] a, float weight, float[] out, Run r) {
        int i = 0;
        for (; i <= r.n - S.length(); i += S.length()) {
            FloatVector.fromArray(S, a, r.a + i).fma(FloatVector.broadcast(S, weight), FloatVector.fromArray(S, out, r.out + i))
                    .intoArray(out, r.out + i);
        }
        for (; i < r.n; i++) {
            out[r.out + i] = Math.fma(a[r.a + i], weight, out[r.out + i]);
        }
    }

    /// Where a running box stands in a block: the values before and after it and the one that leaves next.
    record Step(int at, int before, int after, int leaves) {}

    /// Writes the mean of a box with fractional ends, then moves the running sum on by one; `sum.length` lines at once, a multiple of 16.
    static void slide(float[] in, float[] out, float[] sum, Step s, float ends, float scale) {
        for (int l = 0; l < sum.length; l += S.length()) {
            FloatVector total = FloatVector.fromArray(S, sum, l);
            FloatVector after = FloatVector.fromArray(S, in, s.after + l);
            FloatVector.fromArray(S, in, s.before + l).add(after).fma(FloatVector.broadcast(S, ends), total).mul(scale)
                    .intoArray(out, s.at + l);
            total.add(after).sub(FloatVector.fromArray(S, in, s.leaves + l)).intoArray(sum, l);
        }
    }
}
