package org.scenothesis.core.breakdown.compare;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.fact.Told;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;

/// The ways from facts to plates and back, found by planning again with another answer.
public record Influence(Shot shot, HouseRules rules) {
    /// An answer without which a plate would not be asked for.
    ///
    /// - `wonder`: id of the wonder it was told of, empty for the setting. `answer`: as it is now; `other`: the nearest one that would spare the plate. `told`: whether somebody said it.
    public record Cause(String wonder, Fact fact, String answer, String other, boolean told) {}

    /// The shot with one answer given otherwise; `wonder` empty for what is told of the setting.
    public static Shot answered(Shot shot, String wonder, Fact fact, String answer) {
        return wonder.isEmpty() || fact.ofSetting() ? shot.withSetting(s -> s.withFact(fact.key(), answer)) : shot.withWonder(wonder, w -> w.withFact(fact.key(), answer));
    }

    /// What an answer would change if it were given.
    public PlanDifference answer(String wonder, Fact fact, String answer) {
        return PlanDifference.between(Weighed.of(shot, rules), Weighed.of(answered(shot, wonder, fact, answer), rules));
    }

    /// The choices that a plate hangs on, those of its own wonders first.
    ///
    /// Each is looked at alone: a plate with two reasons may hang on neither.
    public List<Cause> causes(PlateNeed n) {
        List<Cause> out = new ArrayList<>();
        for (Wonder w : shot.wonders()) {
            if (n.wonders().contains(w.id())) {
                Breakdown.questions(shot, w, rules).forEach(q -> cause(n, w.id(), q, Told.of(w, shot.setting()), out));
            }
        }
        Breakdown.questions(shot).forEach(q -> cause(n, "", q, Told.of(shot.setting()), out));
        return out;
    }

    private void cause(PlateNeed n, String wonder, Question q, Told told, List<Cause> out) {
        if (q.isNumber() || q.isText()) {
            return;
        }
        String now = told.given(q.fact()) ? told.answer(q.fact()) : q.otherwise();
        for (String other : q.answers()) {
            if (!other.equals(now) && Breakdown.plan(answered(shot, wonder, q.fact(), other), rules).need(n.key()).isEmpty()) {
                out.add(new Cause(wonder, q.fact(), now, other, told.given(q.fact())));
                return;
            }
        }
    }
}
