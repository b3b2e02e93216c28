package org.scenothesis.production.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.Check;

class EnteredTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
        lensHeightM | 200 | lens height, in metres, goes from 0.01 to 100; 200 was given
        tilt_deg    | 120.5 | tilt_deg goes from 0.01 to 100; 120.5 was given
        despill     | NaN | despill has to be a number
        despill     | -3 | despill goes from 0.01 to 100; -3 was given""")
    void whatCannotBeSaysBetweenWhichItMay(String name, double value, String sentence) {
        assertThat(Entered.or(() -> String.valueOf(Check.range(name, value, 0.01, 100)), why -> why)).isEqualTo(sentence);
    }

    @Test
    void whatIsGoodIsMadeAndWhatIsNoNumberIsSaid() {
        assertThat(Entered.or(() -> Integer.parseInt("12"), why -> 0)).isEqualTo(12);
        assertThat(Entered.or(() -> String.valueOf(Integer.parseInt("twelve")), why -> why)).isEqualTo("a number cannot be read");
        assertThat(Entered.or(() -> String.valueOf(Check.positive("metres", -2)), why -> why)).isEqualTo(
                "metres has to be above 0; -2 was given");
        assertThatIllegalStateException().isThrownBy(() -> Entered.made(() -> Check.range("x", 2, 0, 1), IllegalStateException::new))
                .withMessage("x goes from 0 to 1; 2 was given");
    }
}
