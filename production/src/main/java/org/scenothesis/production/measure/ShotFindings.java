package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;

/// Judges what was measured of a shot: the findings of every plate's chosen take.
public final class ShotFindings {
    private ShotFindings() {}

    /// Findings of the whole shot, the most serious first.
    public static List<Finding> of(Shot shot, Measured m, HouseRules rules) {
        List<Finding> out = new ArrayList<>();
        for (Plate p : shot.plates()) {
            out.addAll(of(shot, p, m, rules));
        }
        out.sort(Comparator.comparingInt((Finding f) -> -f.verdict().weight()));
        return out;
    }

    public static List<Finding> of(Shot shot, Plate plate, Measured m, HouseRules rules) {
        Take take = plate.chosen();
        if (take == null) {
            return List.of(Finding.of(Measure.MISSING, plate.id(), 0, new Limit(0, 0)).judged(Verdict.REDO));
        }
        List<Finding> out = new ArrayList<>();
        m.brief(take.footage()).ifPresent(b -> out.add(roll(plate, b)));
        lock(plate, take, m).ifPresent(r -> out.addAll(LockJudge.judge(r, plate.id(), rules, plate.role().lightDiffersByDesign())));
        m.key(plate.id()).ifPresent(k -> out.addAll(
                KeyJudge.judge(k.worst(), k.evennessStops(), k.source() == org.scenothesis.core.key.ScreenModel.Source.SCREEN_PLATE, plate.id(), rules)));
        return out;
    }

    /// The lock report that counts for a plate.
    public static Optional<LockReport> lock(Plate plate, Take take, Measured m) {
        return m.lock(take.footage());
    }

    private static Finding roll(Plate plate, FootageBrief b) {
        if (!b.usable()) {
            return Finding.of(Measure.MISSING, plate.id(), 1, new Limit(0, 0)).judged(Verdict.REDO);
        }
        double needed = plate.rollSeconds();
        double got = b.still() ? 0 : b.seconds();
        // A quiet clean plate may be held: shorter than the take is worth a look, not a second day.
        boolean mayHold = plate.role().mayBeHeld();
        Verdict v = got + 0.05 >= needed ? Verdict.HOLDS : mayHold ? Verdict.WATCH : Verdict.REDO;
        return Finding.of(Measure.ROLL, plate.id(), got, new Limit(needed, Math.max(needed, 1e6))).judged(v).detailed(needed, (double) b.frames());
    }
}
