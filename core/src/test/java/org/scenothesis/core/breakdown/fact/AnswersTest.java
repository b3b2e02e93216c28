package org.scenothesis.core.breakdown.fact;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class AnswersTest {
    private static Answers told(String... facts) {
        return new Answers(Map.of(facts[0], facts[1]), Map.of());
    }

    @ParameterizedTest
    @CsvSource({"chair, true", "chair table, true", " chair  table , true", "chair sofa, false", "'', false", "' ', false"})
    void severalAnswersAreTakenWhereSeveralMayHold(String answer, boolean taken) {
        assertThat(Fact.SUPPORT.accepts(answer)).isEqualTo(taken);
    }

    @Test
    void oneAnswerIsTakenWhereOnlyOneMayHold() {
        assertThat(Fact.MOTION.several()).isFalse();
        assertThat(Fact.MOTION.accepts("still turns")).isFalse();
        assertThat(told("motion", "still turns").answer(Fact.MOTION)).as("that is no answer").isEqualTo("drifts");
    }

    @Test
    void eachOfSeveralAnswersHolds() {
        Answers t = told("support", "chair ladder");
        assertThat(t.answers(Fact.SUPPORT)).containsExactly("chair", "ladder");
        assertThat(t.is(Answer.Support.LADDER)).isTrue();
        assertThat(t.is(Answer.Support.HARNESS, Answer.Support.CHAIR)).isTrue();
        assertThat(t.is(Answer.Support.ROD, Answer.Support.BOX)).isFalse();
        assertThat(told("motion", "still").answers(Fact.MOTION)).containsExactly("still");
    }

    @ParameterizedTest
    @EnumSource(Fact.class)
    void whatIsAssumedIsAnAnswerAndTheKeyLeadsBack(Fact f) {
        assertThat(f.accepts(f.otherwise())).isTrue();
        assertThat(Fact.byKey(f.key())).contains(f);
        assertThat(Topic.of(f)).isNotNull();
        if (f.isNumber()) {
            assertThat(f.accepts(String.valueOf(f.low()))).isTrue();
            assertThat(f.accepts(String.valueOf(f.high() + 1))).isFalse();
            assertThat(f.accepts("NaN")).isFalse();
        }
    }

    @Test
    void aWordIsNoNumber() {
        assertThatThrownBy(() -> told("motion", "still").number(Fact.MOTION)).isInstanceOf(IllegalArgumentException.class);
        assertThat(Arrays.stream(Fact.values()).map(Fact::key)).doesNotHaveDuplicates();
    }
}
