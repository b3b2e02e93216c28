package org.scenothesis.core.breakdown.fact;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class FactTest {
    @ParameterizedTest
    @EnumSource(Fact.class)
    void everyFactAcceptsWhatItAssumesAndIsFoundByItsKey(Fact f) {
        assertThat(f.accepts(f.otherwise())).isTrue();
        assertThat(Fact.byKey(f.key())).contains(f);
        assertThat(f.isNumber() && f.isText()).isFalse();
        if (f.isNumber()) {
            assertThat(f.accepts(String.valueOf(f.low()))).isTrue();
            assertThat(f.accepts(String.valueOf(f.high()))).isTrue();
            assertThat(f.accepts(String.valueOf(f.low() - 1))).isFalse();
            assertThat(f.accepts(String.valueOf(f.high() * 1.01 + 1))).isFalse();
            assertThat(f.accepts("NaN")).isFalse();
            assertThat(f.accepts("Infinity")).isFalse();
            assertThat(f.accepts("")).isFalse();
        } else if (!f.isText()) {
            assertThat(f.answers()).hasSizeGreaterThan(1).doesNotHaveDuplicates();
            assertThat(f.accepts("something else")).isFalse();
        }
    }

    @Test
    void keysAreUniqueAndReadLikeWords() {
        assertThat(Arrays.stream(Fact.values()).map(Fact::key)).doesNotHaveDuplicates()
                .allSatisfy(k -> assertThat(k).matches("[a-z][a-zA-Z]*"));
        assertThat(Fact.HEIGHT_M.key()).isEqualTo("heightM");
        assertThat(Fact.byKey("heigth")).isEmpty();
    }

    @Test
    void aIllusionsAnswerGoesBeforeTheSettingsAndThatBeforeWhatIsAssumed() {
        Answers none = new Answers(Map.of(), Map.of());
        assertThat(none.answer(Fact.LIGHT)).isEqualTo("lamps");
        assertThat(none.given(Fact.LIGHT)).isFalse();
        Answers setting = new Answers(Map.of(), Map.of("light", "sun"));
        assertThat(setting.is(Answer.Light.SHADE, Answer.Light.SUN)).isTrue();
        Answers both = new Answers(Map.of("light", "shade"), Map.of("light", "sun"));
        assertThat(both.answer(Fact.LIGHT)).isEqualTo("shade");
        assertThat(new Answers(Map.of("light", "moon"), Map.of("light", "sun")).answer(Fact.LIGHT)).isEqualTo("sun");
        assertThatThrownBy(() -> none.number(Fact.LIGHT)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("LIGHT");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0.44", "1e0", "50"})
    void numbersAreReadAsWritten(String written) {
        assertThat(new Answers(Map.of("heightM", written), Map.of()).number(Fact.HEIGHT_M)).isEqualTo(Double.parseDouble(written));
    }

    @Test
    void aNarrowedQuestionAssumesItsFirstAnswer() {
        Question q = Question.among(Answer.Support.STOOL, Answer.Support.BOX);
        assertThat(q.otherwise()).isEqualTo("stool");
        assertThat(Question.about(Fact.SUPPORT).otherwise()).isEqualTo("rod");
        assertThat(Question.about(Fact.HEIGHT_M).unit()).isEqualTo("m");
        assertThat(Question.about(Fact.WHO, Fact.EDGE)).extracting(Question::key).containsExactly("who", "edge");
    }
}
