package org.scenothesis.core.picture;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/// A fast sRGB encoder for display and files: linear light to code values, one by one by table with linear interpolation, runs by
/// polynomial.
///
/// - Worst error against [Transfer#SRGB]: one by one below 0.02 of an 8-bit code value and 2.5 of a 16-bit one, in runs below 0.1 of a
///   16-bit one.
/// - Values outside [0, 1] are clipped.
public final class CodeCurve {
    private static final int STEPS = 4096;

    private static final VectorSpecies<Float> S = FloatVector.SPECIES_PREFERRED;
    private static final double KNEE = 0.0031308;
    private static final float SLOPE = 12.92f;

    // In the fourth root the curve is nearly straight.
    private final Chebyshev above = new Chebyshev(root -> Transfer.SRGB.toCode(Math.pow(root, 4)), Math.pow(KNEE, 0.25), 1);
    // The square root spreads the table where the curve bends most.
    private final float[] table = new float[STEPS + 2];

    /// The curve of sRGB, tabulated once.
    public CodeCurve() {
        for (int i = 0; i < table.length; i++) {
            double root = i / (double) STEPS;
            table[i] = (float) Transfer.SRGB.toCode(root * root);
        }
    }

    /// Code value in [0, 1] for a linear value.
    public float code(float linear) {
        float v = linear > 0 ? Math.min(linear, 1f) : 0f;
        float at = (float) Math.sqrt(v) * STEPS;
        int i = (int) at;
        float low = table[i];
        return low + (table[i + 1] - low) * (at - i);
    }

    /// The nearest code of 8 bits; light below 0 and above 1 is held.
    public int code8(float linear) {
        return (int) (code(linear) * 255f + 0.5f);
    }

    /// The nearest code of 16 bits; light below 0 and above 1 is held.
    public int code16(float linear) {
        return (int) (code(linear) * 65535f + 0.5f);
    }

    /// Code values in place of the linear ones of a run.
    public void codes(float[] run) {
        int i = 0;
        for (; i <= run.length - S.length(); i += S.length()) {
            FloatVector v = FloatVector.fromArray(S, run, i).max(0).min(1);
            above.of(v.sqrt().sqrt()).blend(v.mul(SLOPE), v.compare(VectorOperators.LE, (float) KNEE)).intoArray(run, i);
        }
        for (; i < run.length; i++) {
            float v = Math.clamp(run[i], 0f, 1f);
            run[i] = v <= (float) KNEE ? v * SLOPE : above.of((float) Math.sqrt(Math.sqrt(v)));
        }
    }
}
