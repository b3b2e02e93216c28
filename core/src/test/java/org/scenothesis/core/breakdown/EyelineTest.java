package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.breakdown.plate.Eyeline;

class EyelineTest {
    /// 1.1 m up over 3 m: 20.14 degrees; the mark lies on that line wherever it is stuck.
    @ParameterizedTest
    @CsvSource({"0, 1.6", "1.5, 2.15", "3, 2.7", "6, 3.8"})
    void aMarkLiesOnTheLineFromTheEyes(double awayM, double high) {
        Eyeline e = Eyeline.of("the maker", "the lantern", 2, 1.6, 2.7, 3);
        assertThat(e.upDeg()).isCloseTo(20.14, within(0.005));
        assertThat(e.markM(awayM)).isCloseTo(high, within(1e-9));
    }
}
