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
    @CsvSource({"SRGB, 0.5, 0.2140411", "SRGB, 0.04045, 0.0031308", "SRGB, 1, 1", "SRGB, 0, 0", "BT709, 0.5, 0.2595894", "BT709, 0.045, 0.01", "LINEAR, 0.3, 0.3"})
    void codeValuesBecomeTheLightTheStandardSays(Transfer t, double code, double light) {
        assertThat(t.toLinear(code)).isCloseTo(light, Offset.offset(2e-5));
    }

    /// ITU-R BT.2408: diffuse white at 203 cd/m² lies at 58 % PQ and 75 % HLG; BT.2100: PQ 0.508 is 100 cd/m², the peak 10 000; HLG 0.5 is a twelfth of the peak.
    @ParameterizedTest
    @CsvSource({"PQ, 0.58068, 1", "PQ, 0.508078, 0.492611", "PQ, 1, 49.26108", "HLG, 0.75, 1", "HLG, 0.5, 0.314538", "LOG100, 0.5, 0.1", "GAMMA24, 0.5, 0.189465"})
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

    @Test
    void theFastCurveStaysWithinItsDocumentedError() {
        CodeCurve fast = new CodeCurve(Transfer.SRGB);
        double worst = 0;
        for (int i = 0; i <= 100_000; i++) {
            double v = i / 100_000.0;
            worst = Math.max(worst, Math.abs(fast.code((float) v) - Transfer.SRGB.toCode(v)));
        }
        assertThat(worst * 255).isLessThan(0.02);
        assertThat(worst * 65535).isLessThan(2.5);
    }

    @Test
    void theFastCurveClipsWhatIsOutside() {
        CodeCurve fast = new CodeCurve(Transfer.SRGB);
        assertThat(fast.code8(-3)).isZero();
        assertThat(fast.code8(7)).isEqualTo(255);
        assertThat(fast.code16(1)).isEqualTo(65535);
        assertThat(fast.code8(Float.NaN)).isZero();
    }
}
