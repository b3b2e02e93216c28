package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;

/// No question without an effect: in some shot, some answer to it changes the plan.
class EffectTest {
    private static List<String> answers(Question q) {
        return q.isText() ? List.of("#1fa64a", "the neighbour") : q.isNumber()
                ? List.of(String.valueOf(q.fact().low()), String.valueOf(q.fact().high())) : q.answers();
    }

    private static Shot told(Shot s, Illusion w, Question q, String a) {
        return q.fact().ofSetting() ? s.withSetting(x -> x.withFact(q.key(), a)) : s.withIllusion(w.id(), o -> o.withFact(q.key(), a));
    }

    @Test
    void everyQuestionChangesSomePlan() {
        Set<Fact> asked = EnumSet.noneOf(Fact.class);
        Set<Fact> felt = EnumSet.noneOf(Fact.class);
        Random random = new Random(12);
        for (int i = 0; i < 600; i++) {
            Shot s = Shots.random(random, "s");
            BreakdownPlan before = Breakdown.plan(s, HouseRules.DEFAULT);
            for (Illusion w : s.illusions()) {
                for (Question q : Breakdown.questions(s, w, HouseRules.DEFAULT)) {
                    asked.add(q.fact());
                    for (String a : felt.contains(q.fact()) ? List.<String>of() : answers(q)) {
                        if (!Breakdown.plan(told(s, w, q, a), HouseRules.DEFAULT).equals(before)) {
                            felt.add(q.fact());
                        }
                    }
                }
            }
            for (Question q : Breakdown.questions(s)) {
                asked.add(q.fact());
                for (String a : felt.contains(q.fact()) ? List.<String>of() : answers(q)) {
                    if (!Breakdown.plan(s.withSetting(x -> x.withFact(q.key(), a)), HouseRules.DEFAULT).equals(before)) {
                        felt.add(q.fact());
                    }
                }
            }
        }
        List<Fact> without = new ArrayList<>(asked);
        without.removeAll(felt);
        assertThat(without).isEmpty();
        // Way and declined plates are decided on the pages, places are drawn, and a lens and a lamp are only owned.
        Set<Fact> never = EnumSet.allOf(Fact.class);
        never.removeAll(asked);
        assertThat(never).containsExactlyInAnyOrder(Fact.METHOD, Fact.DECLINED, Fact.ACROSS_M, Fact.ACTOR_ACROSS_M, Fact.PLACES,
                Fact.FOCAL_MM, Fact.LAMP_M);
    }

    @Test
    void everyApproachChangesSomePlanOrItsOrder() {
        Random random = new Random(5);
        Set<Approach> felt = EnumSet.noneOf(Approach.class);
        for (int i = 0; i < 120; i++) {
            Shot s = Shots.random(random, "s").withSetting(x -> new Setting(Map.of("light", "lamps"), null));
            for (Approach m : Approach.values()) {
                for (String way : felt.contains(m) ? List.<String>of() : m.ways()) {
                    HouseRules under = HouseRules.DEFAULT.withApproach(m, way);
                    BreakdownPlan plan = Breakdown.plan(s, under);
                    boolean other = !plan.equals(Breakdown.plan(s, HouseRules.DEFAULT))
                            || Shots.order(plan, s, under).steps().size() != Shots.order(plan, s, HouseRules.DEFAULT).steps().size();
                    if (other) {
                        felt.add(m);
                    }
                }
            }
        }
        assertThat(felt).containsExactly(Approach.values());
    }
}
