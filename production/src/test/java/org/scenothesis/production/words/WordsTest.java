package org.scenothesis.production.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.PlateRole;

class WordsTest {
    private static final Pattern NEVER = Pattern.compile(
            "\\b(nobody|whoever|shall|anew|alike|foretold|told|lately|laid|lay|lies|look round|goes along|what counts|more room "
                    + "around|for want of|let go|taken back)\\b|(^|[.:] )What is [^?]*$",
            Pattern.CASE_INSENSITIVE);

    @ParameterizedTest
    @EnumSource(Measure.class)
    void everyMeasureHasWordsForEveryVerdict(Measure m) {
        for (Verdict v : Verdict.values()) {
            Words.Sentence s = Words.sentence(Finding.of(m, new Subject.OfPlate("p"), 1, new Limit(0.5, 2)).judged(v)
                    .detailed(3.0, 4.0, 5.0, 6.0));
            assertThat(s.title()).doesNotStartWith("finding.");
            assertThat(s.meaning()).doesNotContain("{").doesNotContain("finding.");
            if (v == Verdict.WATCH || v == Verdict.REDO) {
                assertThat(s.remedy()).isNotBlank().doesNotContain("!");
                assertThat(s.price()).contains("min now");
            }
            if (v == Verdict.HOLDS) {
                assertThat(s.remedy()).isEmpty();
            }
        }
    }

    @ParameterizedTest
    @EnumSource(PlateRole.class)
    void everyRoleIsNamed(PlateRole r) {
        assertThat(Words.has("role." + r.name())).isTrue();
        assertThat(Words.has("role.short." + r.name())).isTrue();
        assertThat(Words.has("name." + r.name())).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"CAMERA, 1.8, 1.80 px", "EXPOSURE, -0.12, \u22120.12 stop", "EXPOSURE, 0.001, 0.00 stop", "WHITE_BALANCE, 7.4, +7 mired",
            "GREY_INSIDE, 0.02, 0.02 %", "ROLL, 0, still", "ROLL, 14.21, 14.2 s", "CAMERA, NaN, not measured"})
    void numbersHaveTheirUnitsAndTrueSigns(Measure m, double v, String words) {
        assertThat(Words.value(m, v)).isEqualTo(words);
    }

    @Test
    void oneFrameIsOne() {
        assertThat(Words.frames(1)).isEqualTo("1 frame");
        assertThat(Words.frames(0)).isEqualTo("0 frames");
        assertThat(Words.frames(96)).isEqualTo("96 frames");
    }

    @Test
    void timesAndMissingKeys() {
        assertThat(Words.time(64.25)).isEqualTo("1:04.3");
        assertThat(Words.of("no.such.key")).isEqualTo("no.such.key");
        assertThat(Words.of("limit.most", "0.25 px")).isEqualTo("limit 0.25 px");
    }

    @Test
    void aSeriesHasOneText() {
        assertThat(Words.has("parameter.warp-pin-17-down")).isTrue();
        assertThat(Words.of("parameter.warp-pin-17-down")).isEqualTo("pin 17, down");
        assertThat(Words.of("parameter.warp-pin-2-across.help")).startsWith("Where pin 2 pulls");
        assertThat(Words.of("parameter.no-pin-17-down")).isEqualTo("parameter.no-pin-17-down");
    }

    /// The dictionary's list of what a crew in a hurry has to guess at.
    static List<String> bundles() {
        return Words.BUNDLES;
    }

    @ParameterizedTest
    @MethodSource("bundles")
    void noTextNeedsToBeGuessed(String bundle) {
        ResourceBundle texts = ResourceBundle.getBundle("org.scenothesis.production.words." + bundle, Locale.ENGLISH);
        assertThat(texts.keySet()).allSatisfy(k -> assertThat(texts.getString(k)).as(k).doesNotContainPattern(NEVER));
    }

    @Test
    void wordsOfTheHouseAreExplainedWhereTheyStand() {
        assertThat(Words.meanings("white balance 12 mired, 0.80 stops")).extracting(m -> m.substring(0, m.indexOf(':')))
                .containsExactly("stop", "mired");
        assertThat(Words.meanings("Key to fill")).singleElement().asString().startsWith("key to fill: ");
        assertThat(Words.meanings("despill")).singleElement().asString().startsWith("spill, despill: ");
        assertThat(Words.meanings("unstoppable chokers")).isEmpty();
    }
}
