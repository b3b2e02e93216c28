package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// What holds for every plan, whatever was told: five hundred shots with up to three illusions, every question answered at random.
class PlanPropertiesTest {
    private static final Set<String> WANTED = Set.of("bulb", "flash", "board", "overhead", "form", "none");

    private static List<Shot> shots(RepetitionInfo round) {
        Random random = new Random(round.getCurrentRepetition());
        List<Shot> out = new ArrayList<>();
        for (int i = 0; i < 100; i++) {
            out.add(Shots.random(random, "s" + i));
        }
        return out;
    }

    @RepeatedTest(5)
    void whateverIsRemovedOrSeenThroughHasACleanPlate(RepetitionInfo round) {
        for (Shot s : shots(round)) {
            BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
            Set<Item> gone = new HashSet<>();
            p.needs().stream().filter(n -> n.role() == PlateRole.CLEAN).forEach(n -> gone.addAll(n.out()));
            // What may be seen in the end stands in the empty frame too.
            p.needs().stream().filter(n -> n.role() == PlateRole.CLEAN).forEach(n -> gone.addAll(n.in()));
            for (PlateNeed n : p.needs()) {
                boolean bare = n.screen() == Screen.NONE && n.lockGroup().equals("A") && n.role() != PlateRole.LIGHT_PASS
                        && n.role() != PlateRole.FOREGROUND;
                n.in().stream().filter(i -> bare && i.sort() == Item.Sort.SUPPORT && !WANTED.contains(i.name()) && !i.name()
                        .startsWith("suit."))
                        .forEach(i -> assertThat(gone).as("%s of %s in %s", i, n.key(), s).contains(i));
            }
            for (Treatment t : p.treatments()) {
                if (t.lock().equals("A") && (t.way() == Way.SUIT || t.way() == Way.MASK || t.way() == Way.KEY)) {
                    assertThat(p.needs()).as("%s of %s", t, s).anySatisfy(n -> assertThat(n.key()).isEqualTo(PlateKey.CLEAN));
                }
            }
        }
    }

    @RepeatedTest(5)
    void everyPlateSaysWhomItServesAndIsThereOnce(RepetitionInfo round) {
        for (Shot s : shots(round)) {
            BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
            assertThat(p.needs()).extracting(PlateNeed::key).doesNotHaveDuplicates();
            List<String> ids = s.illusions().stream().map(w -> w.id()).toList();
            assertThat(p.needs()).allSatisfy(n -> {
                assertThat(n.illusions()).isNotEmpty().isSubsetOf(ids);
                assertThat(Collections.disjoint(n.in(), n.out())).as("%s", n).isTrue();
                assertThat(p.needs()).extracting(PlateNeed::key).containsAll(n.after());
            });
            boolean cloth = p.needs().stream().anyMatch(n -> n.screen() == Screen.GREEN || n.screen() == Screen.BLUE);
            assertThat(!cloth || p.cautions().stream().anyMatch(c -> c.code().equals("stands"))).isTrue();
        }
    }

    @RepeatedTest(5)
    void anOrderDoesEverythingOnceBreaksNothingAndIsNeverDearerThanTheCrews(RepetitionInfo round) {
        Random random = new Random(round.getCurrentRepetition());
        for (Shot s : shots(round)) {
            HouseRules rules = HouseRules.DEFAULT.withApproach(Approach.CLEAN_WHEN, Approach.CLEAN_WHEN.ways().get(random.nextInt(3)));
            BreakdownPlan p = Breakdown.plan(s, rules);
            var jobs = RunningOrder.jobs(s, p, rules);
            RunningOrder best = RunningOrder.cheapest(jobs, List.of(), rules.estimates());
            assertThat(best.broken()).as("%s", s).isEmpty();
            assertThat(best.ids()).containsExactlyInAnyOrderElementsOf(jobs.stream().map(j -> j.id()).toList());
            if (jobs.isEmpty()) {
                // All of it exists already.
                assertThat(p.needs()).as("%s", s).noneMatch(PlateNeed::filmed);
                continue;
            }
            List<String> own = new ArrayList<>(best.ids());
            Collections.swap(own, random.nextInt(own.size()), random.nextInt(own.size()));
            RunningOrder better = RunningOrder.cheapest(jobs, own, rules.estimates());
            assertThat(better.minutes()).isLessThanOrEqualTo(best.minutes() + 1e-6);
        }
    }

    @Test
    void mergingKeepsEveryConstraintOfBoth() {
        Random random = new Random(4);
        int merged = 0;
        for (int i = 0; i < 300; i++) {
            BreakdownPlan a = Breakdown.plan(Shots.random(random, "a"), HouseRules.DEFAULT);
            BreakdownPlan b = Breakdown.plan(Shots.random(random, "b"), HouseRules.DEFAULT);
            for (PlateNeed x : a.needs()) {
                var other = b.need(x.key());
                if (other.isEmpty()) {
                    continue;
                }
                PlateNeed y = other.get();
                PlateNeed m = x.merged(y);
                merged++;
                assertThat(m.rollSeconds()).isEqualTo(Math.max(x.rollSeconds(), y.rollSeconds()));
                assertThat(m.length().takes()).isEqualTo(Math.max(x.length().takes(), y.length().takes()));
                assertThat(m.in()).containsAll(x.in()).containsAll(y.in());
                assertThat(m.after()).containsAll(x.after()).containsAll(y.after());
                assertThat(m.notes().record()).containsAll(x.notes().record()).containsAll(y.notes().record());
                assertThat(m.notes().eyelines()).containsAll(x.notes().eyelines()).containsAll(y.notes().eyelines());
                assertThat(m.region().widthShare()).isEqualTo(Math.max(x.region().widthShare(), y.region().widthShare()));
                assertThat(m.screen() == Screen.NONE).isEqualTo(x.screen() == Screen.NONE && y.screen() == Screen.NONE);
                assertThat(m.proposed()).isEqualTo(x.proposed() && y.proposed());
                Set<Item> out = new HashSet<>(x.out());
                out.addAll(y.out());
                out.removeAll(m.in());
                assertThat(m.out()).containsExactlyInAnyOrderElementsOf(out);
            }
        }
        assertThat(merged).isGreaterThan(200);
    }
}
