package org.scenothesis.core.match;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;

/// Turns a lock report into findings.
public final class LockJudge {
    /// Sudden steps of exposure beyond this are told apart from slow drift.
    private static final double JUMP_STOPS = 0.04;

    private LockJudge() {}

    /// - `lightByDesign`: the plate's light is meant to differ, so exposure and colour are not judged.
    public static List<Finding> judge(LockReport r, String plate, HouseRules rules, boolean lightByDesign) {
        List<Finding> out = new ArrayList<>();
        if (!r.found()) {
            out.add(Finding.of(Measure.CAMERA, plate, Double.NaN, rules.shiftPx()).judged(Verdict.REDO));
            return out;
        }
        out.add(camera(r, plate, rules));
        if (r.bumpFrame() != null) {
            out.add(new Finding(
                    Measure.BUMP, plate, r.bumpPx(), rules.shiftPx(), rules.shiftPx().judge(r.bumpPx()), List.of((double) r.bumpFrame()), Measure.BUMP.price()));
        }
        boolean moved = r.largestShiftPx() > rules.shiftPx().holds();
        if (moved) {
            // A locked camera shows no parallax; what is left over there is noise.
            out.add(Finding.of(Measure.PARALLAX, plate, r.residualPx(), rules.parallaxPx()));
        }
        if (!lightByDesign) {
            out.add(Finding.of(Measure.EXPOSURE, plate, r.exposureStops(), rules.exposureStops()));
            out.add(Finding.of(Measure.WHITE_BALANCE, plate, r.gains().mired(), rules.whiteBalanceMired()));
            double drift = Math.abs(r.jumpStops()) > JUMP_STOPS ? r.jumpStops() : r.driftStops();
            out.add(Finding.of(Measure.DRIFT, plate, drift, new Limit(rules.exposureStops().holds(), rules.exposureStops().watch())));
        }
        return out;
    }

    private static Finding camera(LockReport r, String plate, HouseRules rules) {
        double shift = r.largestShiftPx();
        Verdict v = rules.shiftPx().judge(shift);
        if (v == Verdict.WATCH && rules.parallaxPx().judge(r.residualPx()) == Verdict.REDO) {
            v = Verdict.REDO;
        }
        return Finding.of(Measure.CAMERA, plate, shift, rules.shiftPx()).judged(v).detailed(r.shift().x(), r.shift().y());
    }

    /// The most serious verdict of some findings.
    public static Verdict worst(List<Finding> findings) {
        return findings.stream().map(Finding::verdict).reduce(Verdict.NOT_MEASURED, Verdict::worse);
    }
}
