package org.scenothesis.media.code;

import jdk.incubator.vector.ByteVector;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorShuffle;
import jdk.incubator.vector.VectorSpecies;

/// The arithmetic of rows of luma and chroma, in vectors; each loop agrees with the plain loop of its tail.
final class YuvRows {
    private static final VectorSpecies<Float> S = FloatVector.SPECIES_PREFERRED;
    private static final VectorSpecies<Integer> I = IntVector.SPECIES_PREFERRED;
    /// As many bytes as a vector holds floats; with the smallest vectors there are none such, and loops are plain.
    private static final VectorSpecies<Byte> B = S.length() == 16 ? ByteVector.SPECIES_128 : ByteVector.SPECIES_64;
    private static final boolean BYTES = B.length() == S.length();
    private static final VectorShuffle<Float> LOW = VectorShuffle.makeZip(S, 0);
    private static final VectorShuffle<Float> HIGH = VectorShuffle.makeZip(S, 1);
    private static final VectorShuffle<Float> EVEN = VectorShuffle.makeUnzip(S, 0);
    private static final VectorShuffle<Float> ODD = VectorShuffle.makeUnzip(S, 1);

    private YuvRows() {}

    /// `out = bytes`, unsigned.
    static void floats(byte[] bytes, float[] out, int n) {
        int i = 0;
        if (BYTES) {
            for (; i <= n - S.length(); i += S.length()) {
                IntVector codes = (IntVector) ByteVector.fromArray(B, bytes, i).convertShape(VectorOperators.ZERO_EXTEND_B2I, I, 0);
                ((FloatVector) codes.convertShape(VectorOperators.I2F, S, 0)).intoArray(out, i);
            }
        }
        for (; i < n; i++) {
            out[i] = bytes[i] & 0xff;
        }
    }

    /// `run = run·scale + offset`.
    static void level(float[] run, float scale, float offset, int n) {
        int i = 0;
        for (; i <= n - S.length(); i += S.length()) {
            FloatVector.fromArray(S, run, i).mul(scale).add(offset).intoArray(run, i);
        }
        for (; i < n; i++) {
            run[i] = run[i] * scale + offset;
        }
    }

    /// How chroma of two rows becomes one: the weight of the lower one, the code of grey, and the size of a code.
    record Blend(float low, float grey, float scale) {}

    /// `line[i + 1] = (above·(1 − low) + below·low − grey)·scale`.
    static void blend(float[] above, float[] below, Blend k, float[] line, int n) {
        float low = k.low;
        float grey = k.grey;
        float scale = k.scale;
        int i = 0;
        for (; i <= n - S.length(); i += S.length()) {
            FloatVector mixed = FloatVector.fromArray(S, above, i).mul(1 - low).add(FloatVector.fromArray(S, below, i).mul(low));
            mixed.sub(grey).mul(scale).intoArray(line, i + 1);
        }
        for (; i < n; i++) {
            line[i + 1] = (above[i] * (1 - low) + below[i] * low - grey) * scale;
        }
    }

    /// Twice as wide, from `line[1]` on: the left of each pair leans by `before` on the value before, the right by `after` on the value
    /// after.
    static void widen(float[] line, float before, float after, float[] out, int n) {
        int x = 0;
        for (; x <= n / 2 - S.length(); x += S.length()) {
            FloatVector here = FloatVector.fromArray(S, line, x + 1);
            FloatVector left = here.add(FloatVector.fromArray(S, line, x).sub(here).mul(before));
            FloatVector right = here.add(FloatVector.fromArray(S, line, x + 2).sub(here).mul(after));
            left.rearrange(LOW, right).intoArray(out, 2 * x);
            left.rearrange(HIGH, right).intoArray(out, 2 * x + S.length());
        }
        for (; x < n / 2; x++) {
            out[2 * x] = line[x + 1] + before * (line[x] - line[x + 1]);
            out[2 * x + 1] = line[x + 1] + after * (line[x + 2] - line[x + 1]);
        }
        if (n % 2 == 1) {
            int last = n / 2;
            out[2 * last] = line[last + 1] + before * (line[last] - line[last + 1]);
        }
    }

    /// The matrix: what a unit of V and U adds to red, green and blue.
    record Matrix(float vToR, float uToG, float vToG, float uToB) {}

    /// Red, green and blue of luma `g` (which becomes green), `u` and `v`.
    static void colours(float[] r, float[] g, float[] b, float[] u, float[] v, Matrix m) {
        float vToR = m.vToR;
        float uToG = m.uToG;
        float vToG = m.vToG;
        float uToB = m.uToB;
        int i = 0;
        for (; i <= g.length - S.length(); i += S.length()) {
            FloatVector y = FloatVector.fromArray(S, g, i);
            FloatVector cu = FloatVector.fromArray(S, u, i);
            FloatVector cv = FloatVector.fromArray(S, v, i);
            y.add(cv.mul(vToR)).intoArray(r, i);
            y.sub(cv.mul(vToG)).sub(cu.mul(uToG)).intoArray(g, i);
            y.add(cu.mul(uToB)).intoArray(b, i);
        }
        for (; i < g.length; i++) {
            float y = g[i];
            r[i] = y + vToR * v[i];
            g[i] = y - vToG * v[i] - uToG * u[i];
            b[i] = y + uToB * u[i];
        }
    }

    /// Shares of red and blue in luma.
    record Weights(float kr, float kb) {}

    /// Luma (into `g`) and its differences from blue and red of one row of colours.
    static void differences(float[] r, float[] g, float[] b, Weights k, float[] u, float[] v) {
        float kr = k.kr;
        float kb = k.kb;
        float kg = 1 - kr - kb;
        float toU = 1 / (2 * (1 - kb));
        float toV = 1 / (2 * (1 - kr));
        int i = 0;
        for (; i <= g.length - S.length(); i += S.length()) {
            FloatVector red = FloatVector.fromArray(S, r, i);
            FloatVector blue = FloatVector.fromArray(S, b, i);
            FloatVector y = red.mul(kr).add(FloatVector.fromArray(S, g, i).mul(kg)).add(blue.mul(kb));
            blue.sub(y).mul(toU).intoArray(u, i);
            red.sub(y).mul(toV).intoArray(v, i);
            y.intoArray(g, i);
        }
        for (; i < g.length; i++) {
            float y = kr * r[i] + kg * g[i] + kb * b[i];
            u[i] = (b[i] - y) * toU;
            v[i] = (r[i] - y) * toV;
            g[i] = y;
        }
    }

    /// `sum += run`.
    static void add(float[] run, float[] sum) {
        for (int i = 0; i < sum.length; i++) {
            sum[i] += run[i];
        }
    }

    /// `sum[x] += run[2x]·here + run[2x + 1]·after + run[2x − 1]·before`, edges held.
    static void addPairs(float[] run, float here, float after, float before, float[] sum) {
        int last = run.length - 1;
        int x = 0;
        if (sum.length > 0) {
            sum[0] += run[0] * here + run[Math.min(last, 1)] * after + run[0] * before;
            x = 1;
        }
        for (; 2 * x + 2 * S.length() <= last; x += S.length()) {
            FloatVector low = FloatVector.fromArray(S, run, 2 * x);
            FloatVector high = FloatVector.fromArray(S, run, 2 * x + S.length());
            FloatVector left = FloatVector.fromArray(S, run, 2 * x - 1);
            FloatVector right = FloatVector.fromArray(S, run, 2 * x - 1 + S.length());
            FloatVector even = low.rearrange(EVEN, high);
            FloatVector odd = low.rearrange(ODD, high);
            FloatVector odder = left.rearrange(EVEN, right);
            FloatVector.fromArray(S, sum, x).add(even.mul(here)).add(odd.mul(after)).add(odder.mul(before)).intoArray(sum, x);
        }
        for (; x < sum.length; x++) {
            sum[x] += run[2 * x] * here + run[Math.min(last, 2 * x + 1)] * after + run[2 * x - 1] * before;
        }
    }

    /// How values become codes: `value·factor + zero`, rounded, between 0 and `most`.
    record Codes(float factor, float zero, float most) {}

    static void bytes(float[] run, Codes k, byte[] out, int n) {
        float factor = k.factor;
        float zero = k.zero + 0.5f;
        float most = k.most;
        int i = 0;
        if (BYTES) {
            for (; i <= n - S.length(); i += S.length()) {
                FloatVector code = FloatVector.fromArray(S, run, i).mul(factor).add(zero).max(0).min(most);
                IntVector whole = (IntVector) code.convertShape(VectorOperators.F2I, I, 0);
                ((ByteVector) whole.convertShape(VectorOperators.I2B, B, 0)).intoArray(out, i);
            }
        }
        for (; i < n; i++) {
            out[i] = (byte) Math.max(0, Math.min(most, run[i] * factor + zero));
        }
    }

    /// The lower byte first.
    static void words(float[] run, Codes k, byte[] out, int n) {
        for (int i = 0; i < n; i++) {
            int code = (int) Math.max(0, Math.min(k.most, run[i] * k.factor + k.zero + 0.5f));
            out[2 * i] = (byte) code;
            out[2 * i + 1] = (byte) (code >> 8);
        }
    }
}
