package org.scenothesis.production.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.day.ApproachDefaults;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.paper.PlanText;

class PlanWordsTest {
    private static final String CODE =
            "\\b(why|skip|because|figure|conflict|caution|kit|item|answer|ask|focus|record|position|sound|change|method|risk|name|role|"
                    + "part|light|clothes|wonder|school)\\.[a-zA-Z]";

    private static Shot shot(Illusion w) {
        return new Shot("1", 1, "t", "", 6, List.of(w), List.of(), List.of(), List.of(), null);
    }

    /// Every answer to every question, one at a time, and all words of the plan that follows.
    @ParameterizedTest
    @EnumSource(IllusionKind.class)
    void whateverIsAnsweredThePlanHasWordsForIt(IllusionKind kind) {
        Illusion w = new Illusion("w", kind, "the lantern", 1, 5, Map.of());
        for (Question q : Breakdown.questions(shot(w), w, HouseRules.DEFAULT)) {
            assertThat(PlanWords.question(q.fact())).doesNotStartWith("ask.");
            for (String a : q.answers()) {
                assertThat(PlanWords.answer(q.fact(), a)).doesNotStartWith("answer.");
                said(shot(w.withFact(q.key(), a)));
            }
        }
        for (Question q : Breakdown.questions(shot(w))) {
            for (String a : q.answers()) {
                assertThat(PlanWords.answer(q.fact(), a)).doesNotStartWith("answer.");
                said(shot(w).withSetting(s -> s.withFact(q.key(), a)));
            }
        }
        for (String way : List.of("mask", "key", "suit", "black", "white", "roto")) {
            said(shot(w.withFact(Fact.METHOD.key(), way)));
        }
    }

    private static void said(Shot s) {
        DayPlan day = DayPlan.of(new Production("p", List.of(s), HouseRules.DEFAULT));
        String text = PlanText.of(day, s) + PlanText.order(day, day.order().steps());
        assertThat(text).doesNotContainPattern(CODE).doesNotContain("{").doesNotContain("!").doesNotContain("  .");
    }

    @ParameterizedTest
    @EnumSource(Approach.class)
    void everyApproachHasItsReasonsAndNumbers(Approach s) {
        assertThat(Words.has("school." + s)).isTrue();
        for (String way : s.ways()) {
            assertThat(Words.has("school." + s + "." + way)).isTrue();
            assertThat(Words.of("school." + s + "." + way + ".why")).endsWith(".");
        }
        Illusion many = new Illusion("w", IllusionKind.COPIES, "the maker", 0, 4, Map.of("count", "12"));
        Illusion giant = new Illusion("g", IllusionKind.OTHER_SIZE, "the giant", 0, 4, Map.of("factor", "6"));
        Shot both = shot(many).withIllusions(List.of(many, giant));
        ApproachDefaults.figures(s, both).forEach(f -> {
            assertThat(f.value()).isPositive().isFinite();
            assertThat(PlanWords.figure(f).name() + PlanWords.figure(f).how()).doesNotContain("figure.").doesNotContain("{");
        });
        assertThat(ApproachDefaults.outcomes(s, both, HouseRules.DEFAULT)).containsOnlyKeys(s.ways())
                .allSatisfy((way, o) -> assertThat(o.setMinutes()).isPositive());
    }

    @Test
    void aRepeatedCrowdIsAShorterDay() {
        Illusion many = new Illusion("w", IllusionKind.COPIES, "the maker", 0, 4, Map.of("count", "12"));
        var o = ApproachDefaults.outcomes(Approach.COPIES, shot(many), HouseRules.DEFAULT);
        assertThat(o.get("repeat").setMinutes()).isLessThan(o.get("every").setMinutes());
        assertThat(o.get("repeat").plates()).isLessThan(o.get("every").plates());
    }

    @ParameterizedTest
    @CsvSource({"0, 00:00", "455, 07:35", "1439.6, 00:00", "1500, 01:00"})
    void theClockIsTheOneOnTheWall(double minutes, String clock) {
        assertThat(PlanWords.clock(minutes)).isEqualTo(clock);
    }
}
