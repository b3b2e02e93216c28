package org.scenothesis.core.breakdown.compare;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;

/// The ways from facts to plates and back, found by planning again with another answer.
public record Influence(Shot shot, HouseRules rules) {
    /// An answer without which a plate would not be asked for.
    ///
    /// - `illusion`: id of the illusion it was told of, empty for the setting. `answer`: as it is now; `other`: the nearest one that would
    ///   spare the plate. `told`: whether somebody said it.
    public record Cause(String illusion, Fact fact, String answer, String other, boolean told) {}

    /// The shot with one answer given otherwise; `illusion` empty for what is told of the setting.
    public static Shot answered(Shot shot, String illusion, Fact fact, String answer) {
        return illusion.isEmpty() || fact.ofSetting() ? shot.withSetting(s -> s.withFact(fact.key(), answer))
                : shot.withIllusion(illusion, w -> w.withFact(fact.key(), answer));
    }

    /// What an answer would change if it were given.
    public PlanDifference answer(String illusion, Fact fact, String answer) {
        return PlanDifference.between(Weighed.of(shot, rules), Weighed.of(answered(shot, illusion, fact, answer), rules));
    }

    /// The choices that a plate hangs on, those of its own illusions first.
    ///
    /// Each is looked at alone: a plate with two reasons may hang on neither.
    public List<Cause> causes(PlateNeed n) {
        List<Cause> out = new ArrayList<>();
        for (Illusion w : shot.illusions()) {
            if (n.illusions().contains(w.id())) {
                Breakdown.questions(shot, w, rules).forEach(q -> cause(n, w.id(), q, Answers.of(w, shot.setting()), out));
            }
        }
        Breakdown.questions(shot).forEach(q -> cause(n, "", q, Answers.of(shot.setting()), out));
        return out;
    }

    private void cause(PlateNeed n, String illusion, Question q, Answers told, List<Cause> out) {
        if (q.isNumber() || q.isText()) {
            return;
        }
        String now = told.given(q.fact()) ? told.answer(q.fact()) : q.otherwise();
        for (String other : q.answers()) {
            if (!other.equals(now) && Breakdown.plan(answered(shot, illusion, q.fact(), other), rules).need(n.key()).isEmpty()) {
                out.add(new Cause(illusion, q.fact(), now, other, told.given(q.fact())));
                return;
            }
        }
    }
}
