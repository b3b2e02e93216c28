package org.scenothesis.studio.house;

import java.util.List;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;

/// How many findings of the staged sets of the shot are open, counted in the background.
final class StagedCount {
    private static final String LANE = "staged";
    private final Session session;
    private final Runnable then;
    private String words = "not begun";

    StagedCount(Session session, Runnable then) {
        this.session = session;
        this.then = then;
        session.planned().addListener(o -> count());
        session.shotId().addListener(o -> count());
    }

    String words() {
        return words;
    }

    private void count() {
        Shot shot = session.shot();
        BreakdownPlan plan = session.planned().get().plans().get(shot.id());
        if (plan == null) {
            return;
        }
        HouseRules rules = session.store().now().houseRules();
        session.worker().ask(LANE, ticket -> words(Stagings.of(shot, plan, rules), rules), w -> {
            words = w;
            then.run();
        }, e -> session.say(Words.of("staged-count.the-sets-could-not-be", e.getMessage())));
    }

    /// Never better than what it rests on: as long as something is assumed it says so.
    private static String words(List<Staged> sets, HouseRules rules) {
        long redo = 0;
        long watch = 0;
        boolean known = true;
        boolean any = false;
        for (Staged s : sets) {
            for (PlateNeed n : s.needs()) {
                for (var p : s.proved(n.key().code(), rules, false)) {
                    any = true;
                    known &= p.known();
                    redo += p.finding().verdict() == Verdict.REDO ? 1 : 0;
                    watch += p.finding().verdict() == Verdict.WATCH ? 1 : 0;
                }
            }
        }
        return !any ? "not begun" : redo > 0 ? redo + " " + Words.verdict(Verdict.REDO) : watch > 0
                ? watch + " " + Words.verdict(Verdict.WATCH) : known ? Words.verdict(Verdict.HOLDS) : "assumed";
    }
}
