package org.scenothesis.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CheckTest {
    @Test
    void bothEndsOfARangePass() {
        assertThat(Check.range("x", 0, 0, 1)).isZero();
        assertThat(Check.range("x", 1, 0, 1)).isEqualTo(1);
    }

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, -1e-12, 1.000001, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
    void whatLiesOutsideIsRefusedByName(double v) {
        assertThatIllegalArgumentException().isThrownBy(() -> Check.range("gain", v, 0, 1)).withMessageContaining("gain")
                .withMessageContaining("[0.0, 1.0]");
    }

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, 0, -3, Double.POSITIVE_INFINITY})
    void positiveMeansAboveZeroAndFinite(double v) {
        assertThatIllegalArgumentException().isThrownBy(() -> Check.positive("focal", v)).withMessageContaining("focal");
    }

    @Test
    void finiteRefusesNaNAndInfinity() {
        assertThat(Check.finite("x", -3)).isEqualTo(-3);
        assertThatIllegalArgumentException().isThrownBy(() -> Check.finite("x", Double.NaN));
        assertThatIllegalArgumentException().isThrownBy(() -> Check.finite("x", Double.NEGATIVE_INFINITY));
    }

    @Test
    void aBrokenConditionIsSaid() {
        assertThatIllegalArgumentException().isThrownBy(() -> Check.that(false, "two is not three")).withMessage("two is not three");
    }
}
