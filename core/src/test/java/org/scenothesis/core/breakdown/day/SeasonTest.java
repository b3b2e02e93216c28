package org.scenothesis.core.breakdown.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;

/// Hundreds of shots are planned within a budget that is counted, not timed, and a change plans anew only what changed.
class SeasonTest {
    private static Production production(int shots) {
        List<Shot> all = new ArrayList<>();
        for (int i = 0; i < shots; i++) {
            IllusionKind kind = IllusionKind.values()[i % IllusionKind.values().length];
            Illusion w = new Illusion("w", kind, "thing " + i % 7, 0, 3, Map.of());
            all.add(new Shot("s" + i, i, "", "", 4, List.of(w), List.of(), List.of(), List.of(), null));
        }
        return new Production("season", all, HouseRules.DEFAULT);
    }

    @Test
    void threeHundredShotsAreOrderedWithEveryRuleKept() {
        Production p = production(300);
        long start = System.nanoTime();
        DayPlan day = DayPlan.of(p);
        System.out.printf("season: %d rolls over 300 shots in %.1f s%n", day.order().steps().size(), (System.nanoTime() - start) / 1e9);
        assertThat(day.plans()).hasSize(300);
        assertThat(day.order().broken()).isEmpty();
        assertThat(day.order().steps().size()).isGreaterThan(600);
        assertThat(day.cheapest().minutes()).isLessThan(RunningOrder.priced(RunningOrder.jobs(p), List.of(), p.houseRules().estimates())
                .minutes());
    }

    /// Far more than a day: ordered in stretches of whole shots, everything once, nothing broken, and given up when it is not wanted any
    /// more.
    @Test
    void aSeasonOfAThousandShotsIsOrderedInStretches() {
        Production p = production(1000);
        DayPlan day = DayPlan.of(p);
        assertThat(day.order().broken()).isEmpty();
        assertThat(day.order().ids()).doesNotHaveDuplicates().hasSameElementsAs(RunningOrder.jobs(p).stream().map(Job::id).toList());
        assertThat(day.order().ids().size()).isGreaterThan(4 * RunningOrder.MOST_AT_ONCE);
        assertThat(day.order().exact()).isFalse();
        assertThat(day.order().minutes()).isLessThan(RunningOrder.priced(RunningOrder.jobs(p), List.of(), p.houseRules().estimates())
                .minutes());
        assertThatExceptionOfType(CancellationException.class).isThrownBy(() -> DayPlan.of(p, null, () -> false));
    }

    @Test
    void onlyTheShotThatChangedIsPlannedAnew() {
        Production p = production(12);
        DayPlan before = DayPlan.of(p);
        Production changed = p.withShot("s3", s -> s.withIllusions(List.of()));
        DayPlan after = DayPlan.of(changed, before);
        assertThat(after.plan("s2")).isSameAs(before.plan("s2"));
        assertThat(after.plan("s3")).isNotSameAs(before.plan("s3"));
        assertThat(after.order().ids()).isEqualTo(DayPlan.of(changed).order().ids());
    }
}
