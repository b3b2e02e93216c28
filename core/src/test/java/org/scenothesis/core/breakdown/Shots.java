package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;

/// Shots for planning tests: told, and made up at random from the questions themselves.
public final class Shots {
    private static final String[] SUBJECTS = {"the lantern", "the maker", "the paper", "a brush"};

    private Shots() {}

    public static Shot of(Map<String, String> setting, Illusion... illusions) {
        return new Shot("1", 1, "t", "", 6, List.of(illusions), List.of(), List.of(), List.of(), null, new Setting(setting, null));
    }

    public static Shot of(Illusion... illusions) {
        return of(Map.of(), illusions);
    }

    public static Illusion illusion(IllusionKind kind, String subject, String... facts) {
        Map<String, String> told = new LinkedHashMap<>();
        for (int i = 0; i < facts.length; i += 2) {
            if (!Fact.byKey(facts[i]).orElseThrow().accepts(facts[i + 1])) {
                throw new IllegalArgumentException(facts[i] + " " + facts[i + 1]);
            }
            told.put(facts[i], facts[i + 1]);
        }
        return new Illusion(kind.name().toLowerCase(Locale.ROOT) + "-" + subject.hashCode(), kind, subject, 1, 5, told);
    }

    public static BreakdownPlan plan(Illusion... illusions) {
        return Breakdown.plan(of(illusions), HouseRules.DEFAULT);
    }

    public static List<PlateRole> roles(BreakdownPlan plan) {
        return plan.needs().stream().map(PlateNeed::role).toList();
    }

    public static PlateNeed only(BreakdownPlan plan, PlateRole role) {
        List<PlateNeed> found = plan.needs().stream().filter(n -> n.role() == role).toList();
        if (found.size() != 1) {
            throw new AssertionError(found.size() + " plates of role " + role + " in " + roles(plan));
        }
        return found.getFirst();
    }

    public static RunningOrder order(BreakdownPlan plan, Shot shot, HouseRules rules) {
        return RunningOrder.cheapest(RunningOrder.jobs(shot, plan, rules), List.of(), rules.estimates());
    }

    /// A shot with one to three illusions, nine of ten questions that come up answered at random.
    public static Shot random(Random random, String id) {
        Shot shot = new Shot(id, 1, "t", "", 8, List.of(), List.of(), List.of(), List.of(), null);
        int many = 1 + random.nextInt(3);
        List<Illusion> illusions = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            IllusionKind kind = IllusionKind.values()[random.nextInt(IllusionKind.values().length)];
            double from = random.nextInt(3);
            illusions.add(new Illusion("w" + i, kind, SUBJECTS[random.nextInt(SUBJECTS.length)], from, from + 1 + random.nextInt(5),
                    Map.of()));
        }
        shot = shot.withIllusions(illusions);
        for (int round = 0; round < 2; round++) {
            for (Question q : Breakdown.questions(shot)) {
                String a = answer(q, random);
                shot = random.nextInt(10) == 0 ? shot : shot.withSetting(s -> s.withFact(q.key(), a));
            }
            for (Illusion w : illusions) {
                for (Question q : Breakdown.questions(shot, shot.illusions().stream().filter(o -> o.id().equals(w.id())).findFirst()
                        .orElseThrow(), HouseRules.DEFAULT)) {
                    String a = answer(q, random);
                    shot = random.nextInt(10) == 0 ? shot : shot.withIllusion(w.id(), o -> o.withFact(q.key(), a));
                }
            }
        }
        return shot;
    }

    private static String answer(Question q, Random random) {
        if (q.isText()) {
            return q.fact() == Fact.ACTOR || q.fact() == Fact.IN_IT ? SUBJECTS[random.nextInt(SUBJECTS.length)] : q.fact() == Fact.COLOURS
                    ? "#3a7d44" : "";
        }
        if (q.isNumber()) {
            double v = q.fact().low() + random.nextDouble() * Math.min(random.nextInt(6) == 0 ? 30 : 8, q.fact().high() - q.fact().low());
            return String.valueOf(Math.max(q.fact().low(), Math.rint(v)));
        }
        return q.answers().get(random.nextInt(q.answers().size()));
    }
}
