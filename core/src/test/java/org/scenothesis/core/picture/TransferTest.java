package org.scenothesis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class TransferTest {
    // Published values of the curves: IEC 61966-2-1 and BT.709-6.
    @ParameterizedTest
    @CsvSource({"SRGB, 0.5, 0.2140411", "SRGB, 0.04045, 0.0031308", "SRGB, 1, 1", "SRGB, 0, 0", "BT709, 0.5, 0.2595894",
            "BT709, 0.045, 0.01", "LINEAR, 0.3, 0.3"})
    void codeValuesBecomeTheLightTheStandardSays(Transfer t, double code, double light) {
        assertThat(t.toLinear(code)).isCloseTo(light, Offset.offset(2e-5));
    }

    /// ITU-R BT.2408: diffuse white at 203 cd/m² lies at 58 % PQ and 75 % HLG; BT.2100: PQ 0.508 is 100 cd/m², the peak 10 000; HLG 0.5 is
    /// a twelfth of the peak.
    @ParameterizedTest
    @CsvSource({"PQ, 0.58068, 1", "PQ, 0.508078, 0.492611", "PQ, 1, 49.26108", "HLG, 0.75, 1", "HLG, 0.5, 0.314538", "LOG100, 0.5, 0.1",
            "GAMMA24, 0.5, 0.189465"})
    void highDynamicRangeFollowsThePublishedCurves(Transfer t, double code, double light) {
        assertThat(t.toLinear(code)).isCloseTo(light, Offset.offset(light * 2e-4));
    }

    @ParameterizedTest
    @EnumSource(Transfer.class)
    void thereAndBackIsTheSame(Transfer t) {
        // The logarithm of 100:1 knows nothing darker than a hundredth.
        for (double v = t == Transfer.LOG100 ? 0.012 : -0.2; v <= 1.4; v += 0.013) {
            assertThat(t.toLinear(t.toCode(v))).isCloseTo(v, Offset.offset(1e-6));
        }
    }

    @ParameterizedTest
    @EnumSource(Transfer.class)
    void brighterStaysBrighter(Transfer t) {
        double last = -1;
        for (double code = 0; code <= 1.2; code += 0.001) {
            assertThat(t.toLinear(code)).isGreaterThan(last);
            last = t.toLinear(code);
        }
    }

    @Test
    void theTableHoldsTheCurve() {
        float[] table = Transfer.SRGB.table16();
        assertThat(table[0]).isZero();
        assertThat(table[65535]).isCloseTo(1f, Offset.offset(1e-6f));
        assertThat((double) table[32768]).isCloseTo(Transfer.SRGB.toLinear(32768 / 65535.0), Offset.offset(1e-6));
    }

    @ParameterizedTest
    @EnumSource(value = Transfer.class, names = {"SRGB", "BT709"})
    void polynomialsStayWithinTheirDocumentedError(Transfer t) {
        int n = 100_003;
        float[] run = new float[n];
        for (int i = 0; i < n; i++) {
            run[i] = i / (n - 1f);
        }
        CodesToLight.of(t).apply(run, n);
        double worst = 0;
        double worstCode = 0;
        for (int i = 0; i < n; i++) {
            double code = i / (n - 1.0);
            double off = Math.abs(run[i] - t.toLinear(code));
            worst = Math.max(worst, off);
            worstCode = Math.max(worstCode, off / (t.toLinear(code + 1e-3) - t.toLinear(code)) * 1e-3);
        }
        assertThat(worst).isLessThan(2e-6);
        assertThat(worstCode * 255).isLessThan(0.005);
    }

    @ParameterizedTest
    @EnumSource(value = Transfer.class, names = "LINEAR", mode = EnumSource.Mode.EXCLUDE)
    void runsAreClampedAndTheirRestIsLeftAlone(Transfer t) {
        float[] run = {-0.5f, 0, 0.5f, 1, 1.7f, 0.25f, 0.75f, 0.1f, 0.9f, 0.3f, 0.6f, 42};
        CodesToLight.of(t).apply(run, 11);
        assertThat(run[0]).isEqualTo(run[1]);
        assertThat(run[4]).isEqualTo(run[3]);
        assertThat((double) run[2]).isCloseTo(t.toLinear(0.5), Offset.offset(2e-5 * Math.max(1, t.toLinear(1))));
        assertThat((double) run[10]).isCloseTo(t.toLinear(0.6), Offset.offset(2e-5 * Math.max(1, t.toLinear(1))));
        assertThat(run[11]).isEqualTo(42);
    }

    @Test
    void theFastCurveStaysWithinItsDocumentedError() {
        CodeCurve fast = new CodeCurve();
        double worst = 0;
        for (int i = 0; i <= 100_000; i++) {
            double v = i / 100_000.0;
            worst = Math.max(worst, Math.abs(fast.code((float) v) - Transfer.SRGB.toCode(v)));
        }
        assertThat(worst * 255).isLessThan(0.02);
        assertThat(worst * 65535).isLessThan(2.5);
    }

    @Test
    void runsOfTheFastCurveAreExacterStill() {
        float[] run = new float[100_003];
        for (int i = 0; i < run.length; i++) {
            run[i] = i / 100_000f - 0.00001f;
        }
        float[] light = run.clone();
        new CodeCurve().codes(run);
        double worst = 0;
        for (int i = 0; i < run.length; i++) {
            worst = Math.max(worst, Math.abs(run[i] - Transfer.SRGB.toCode(Math.clamp(light[i], 0, 1))));
        }
        assertThat(worst * 65535).isLessThan(0.1);
    }

    @Test
    void theFastCurveClipsWhatIsOutside() {
        CodeCurve fast = new CodeCurve();
        assertThat(fast.code8(-3)).isZero();
        assertThat(fast.code8(7)).isEqualTo(255);
        assertThat(fast.code16(1)).isEqualTo(65535);
        assertThat(fast.code8(Float.NaN)).isZero();
    }
}
