package org.scenothesis.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class JudgementTest {
    private static Finding finding(String plate, Measure m, Verdict verdict) {
        return Finding.that(m, new Subject.OfTake(plate, "1"), 0.5, verdict);
    }

    @ParameterizedTest
    @CsvSource({
        "HOLDS, HOLDS, YES, HOLDS, 2", "HOLDS, WATCH, YES, WATCH, 2", "HOLDS, NOT_MEASURED, NOT_KNOWN, NOT_MEASURED, 1",
                "WATCH, NOT_MEASURED, NOT_KNOWN, WATCH, 1",
        "REDO, NOT_MEASURED, NO, REDO, 1", "NOT_MEASURED, NOT_MEASURED, NOT_KNOWN, NOT_MEASURED, 0"
    })
    void aWholeIsNeverBetterThanItsLeastKnownPart(Verdict one, Verdict other, Judgement.Answer go, Verdict whole, int known) {
        Judgement j = new Judgement(List.of(finding("a", Measure.CAMERA, one), finding("b", Measure.EXPOSURE, other)));
        assertThat(j.go()).isEqualTo(go);
        assertThat(j.verdict()).isEqualTo(whole);
        assertThat(j.known()).isEqualTo(new Judgement.Known(known, 2));
    }

    @Test
    void nothingFoundIsNoGo() {
        assertThat(Judgement.NONE.go()).isEqualTo(Judgement.Answer.NOT_KNOWN);
        assertThat(Judgement.NONE.verdict()).isEqualTo(Verdict.NOT_MEASURED);
    }

    @Test
    void theNextThingIsTheWorstAndThenTheDearest() {
        Finding small = finding("clean", Measure.WHITE_BALANCE, Verdict.WATCH);
        Finding dear = finding("clean", Measure.BORDER, Verdict.WATCH);
        Finding redo = finding("maker", Measure.EXPOSURE, Verdict.REDO);
        Judgement j = new Judgement(List.of(finding("maker", Measure.CAMERA, Verdict.HOLDS), small, dear, redo));
        assertThat(j.open()).containsExactly(redo, dear, small);
        assertThat(j.findings().getFirst()).isEqualTo(redo);
        assertThat(j.of("clean").findings()).containsExactlyInAnyOrder(small, dear);
    }

    @Test
    void theHouseMaySetALimitOfItsOwn() {
        HouseRules strict = HouseRules.DEFAULT.withLimit(Measure.CAMERA, new Limit(0.05, 1));
        Subject of = new Subject.OfPlate("a");
        assertThat(Finding.of(Measure.CAMERA, of, 0.2, HouseRules.DEFAULT).verdict()).isEqualTo(Verdict.HOLDS);
        assertThat(Finding.of(Measure.CAMERA, of, 0.2, strict).verdict()).isEqualTo(Verdict.WATCH);
        assertThat(Finding.of(Measure.EXPOSURE, of, 0.04, strict).verdict()).isEqualTo(Verdict.HOLDS);
    }

    @Test
    void anOutcomeIsAReadingOrAReason() {
        assertThat(new Outcome.Found<>(3, false).found()).contains(3);
        assertThat(new Outcome.Found<>(3, true).whole()).isFalse();
        assertThat(new Outcome.Refused<Integer>("why").found()).isEmpty();
        assertThat(new Outcome.Refused<Integer>("why").trouble()).isEqualTo("why");
        assertThat(new Outcome.Unreadable<Integer>("where").whole()).isTrue();
    }
}
