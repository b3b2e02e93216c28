package org.scenothesis.core.breakdown.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Verdict;

class SwatchTest {
    /// Published values of the space for the primaries of sRGB.
    @ParameterizedTest
    @CsvSource({"#ffffff, 1, 0, 0", "#ff0000, 0.62796, 0.22486, 0.12585", "#00ff00, 0.86644, -0.23389, 0.17950",
            "#0000ff, 0.45201, -0.03246, -0.31153"})
    void agreesWithPublishedValues(String hex, double l, double a, double b) {
        Swatch s = Swatch.hex(hex);
        assertThat(s.lightness()).isCloseTo(l, within(2e-4));
        assertThat(s.a()).isCloseTo(a, within(2e-4));
        assertThat(s.b()).isCloseTo(b, within(2e-4));
    }

    @ParameterizedTest
    @CsvSource({
        "skin and straw, #e0b090 #d8c08a, GREEN, HOLDS", "denim, #3b5577, GREEN, HOLDS", "grass, #4f7f33, BLUE, HOLDS",
                "lime shirt, #8cc63f, BLUE, HOLDS",
        "purple on blue eyes, #6a3fa0, GREEN, HOLDS", "lime and denim, #8cc63f #3b5577, BLUE, WATCH",
        "both cloths' colours, #1fa64a #1f4fc4, GREEN, REDO"
    })
    void theClothFurthestFromTheColoursIsChosen(String what, String colours, Screen cloth, Verdict verdict) {
        ClothChoice c = ClothChoice.of(new Answers(Map.of("colours", colours), Map.of()), HouseRules.DEFAULT);
        assertThat(c.cloth()).as(what).isEqualTo(cloth);
        assertThat(c.verdict()).as(what).isEqualTo(verdict);
    }

    @Test
    void whatTheHouseOrTheStockSaysDecidesAndIsJudged() {
        Answers leaves = new Answers(Map.of(), Map.of("foliage", "yes"));
        assertThat(ClothChoice.of(leaves, HouseRules.DEFAULT).cloth()).isEqualTo(Screen.BLUE);
        ClothChoice green = ClothChoice.of(leaves, HouseRules.DEFAULT.withApproach(Approach.SCREEN_COLOUR, "green"));
        assertThat(green.cloth()).isEqualTo(Screen.GREEN);
        assertThat(green.verdict()).isEqualTo(Verdict.REDO);
    }

    @Test
    void whatIsNoColourIsRefusedOrLeftOut() {
        assertThatThrownBy(() -> Swatch.hex("green")).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("#1fa64a");
        assertThat(Swatch.list("#ffffff, teal; 102030")).hasSize(2);
        assertThat(Swatch.list("")).isEmpty();
    }
}
