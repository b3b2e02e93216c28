package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Outcome;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;

/// The one place that judges: what the meters found of a shot, against the rules of the house. What should be measured and is not yet is a
/// finding too.
public final class Judge {
    private final ProductionFolder folder;
    private final List<Finding> ofFolder;

    public Judge(ProductionFolder folder) {
        this.folder = folder;
        ofFolder = folder.strayLinks().stream().map(link -> Finding.that(Measure.OUTSIDE, new Subject.OfProduction(), 1, Verdict.REDO)
                .noted(link)).toList();
    }

    /// Findings of the whole shot, of the folder it lies in, and of what its plan needs and the shelf lacks.
    public Judgement of(Shot shot, Measured m, HouseRules rules) {
        return of(shot, Breakdown.plan(shot, rules), m, rules);
    }

    /// The same with the plan at hand; null while there is none yet.
    public Judgement of(Shot shot, @Nullable BreakdownPlan plan, Measured m, HouseRules rules) {
        List<Finding> out = new ArrayList<>(ofFolder);
        if (plan != null && !shot.plates().isEmpty()) {
            Set<PlateKey> have = Breakdown.matched(shot, plan).keySet();
            plan.needs().stream().filter(n -> !n.proposed() && !have.contains(n.key()))
                    .forEach(n -> out.add(Finding.unmeasured(Measure.NEEDED, new Subject.OfShot(),
                    Words.of("finding.NEEDED.note", PlanWords.name(n)))));
        }
        if (plan == null && !shot.plates().isEmpty()) {
            out.add(Finding.unmeasured(Measure.NEEDED, new Subject.OfShot(), Words.of("finding.NEEDED.unplanned")));
        }
        for (Plate p : shot.plates()) {
            out.addAll(plate(shot, p, m, rules));
        }
        return new Judgement(out);
    }

    private List<Finding> plate(Shot shot, Plate plate, Measured m, HouseRules rules) {
        Take take = plate.chosen();
        Subject subject = new Subject.OfPlate(plate.id());
        if (take == null) {
            return List.of(Finding.that(Measure.MISSING, subject, 0, Verdict.REDO));
        }
        if (plate.role() == PlateRole.UNSORTED) {
            return List.of(Finding.that(Measure.UNSORTED, subject, plate.takes().size(), Verdict.WATCH));
        }
        FootageBrief brief = m.brief(take).orElse(null);
        if (brief != null && !brief.usable()) {
            return List.of(Finding.that(Measure.BROKEN, subject, 1, Verdict.REDO).noted(brief.problem()));
        }
        List<Finding> out = new ArrayList<>();
        if (brief != null && brief.shortfall() != null) {
            out.add(Finding.that(Measure.CUT_SHORT, subject, brief.shortfall().frames(), Verdict.REDO)
                    .detailed((double) brief.frames(), (double) brief.frames() + brief.shortfall().frames()));
        }
        out.add(brief == null ? Finding.unmeasured(Measure.ROLL, subject, "") : Fitting.roll(plate, brief));
        for (Meter<?> meter : Meters.ALL) {
            out.addAll(take(meter, shot, plate, take, m, rules));
        }
        if (brief != null) {
            out.addAll(Fitting.of(shot, plate, brief, m));
        }
        return out;
    }

    /// What the meters found of any take of a plate, chosen or not.
    public Judgement take(Shot shot, Plate plate, Take take, Measured m, HouseRules rules) {
        return new Judgement(Meters.ALL.stream().flatMap(meter -> take(meter, shot, plate, take, m, rules).stream()).toList());
    }

    private <R> List<Finding> take(Meter<R> meter, Shot shot, Plate plate, Take take, Measured m, HouseRules rules) {
        FootageBrief brief = m.brief(take).orElse(null);
        Target t = brief == null ? null : meter.target(folder, shot, plate, take, brief).orElse(null);
        Outcome<R> outcome = t == null ? null : m.outcome(meter, t).orElse(null);
        return t != null && outcome instanceof Outcome.Found<R> f ? meter.judge(f.reading(), t, rules)
                : meter.unmeasured(shot, plate, take, brief, outcome == null ? "" : outcome.trouble());
    }
}
