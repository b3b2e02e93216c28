package org.scenothesis.core.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;

/// Turns a lock report into findings.
public final class LockJudge {
    /// Sudden steps of exposure beyond this are told apart from slow drift.
    private static final double JUMP_STOPS = 0.04;
    /// Share of the frames that must have been placed before a take is said to hold.
    private static final double ENOUGH = 0.8;

    /// What is known as well as this part of the limit is judged by what it is.
    private static final double CLOSE = 0.2;
    /// So many standard deviations are no chance.
    private static final double SURE = 2.5;

    private LockJudge() {}

    /// - `lightByDesign`: the plate's light is meant to differ, so exposure and colour are not judged.
    public static List<Finding> judge(LockReport r, Subject subject, HouseRules rules, boolean lightByDesign) {
        List<Finding> out = new ArrayList<>();
        if (!r.found()) {
            out.add(Finding.of(Measure.CAMERA, subject, Double.NaN, rules).judged(Verdict.NOT_MEASURED));
            return out;
        }
        LockReport.Segment far = r.furthest();
        Finding camera = camera(r, far, subject, rules);
        out.add(camera);
        Integer bump = r.bumpFrame();
        if (bump != null && r.bumpPx() > SURE * far.furthestDeviationPx()) {
            out.add(Finding.of(Measure.BUMP, subject, r.bumpPx(), rules).detailed((double) bump));
        }
        // What is smaller than the points know is noise.
        swing(Measure.WANDER, far.wanderPx(), far, subject, rules, out);
        swing(Measure.LEAN, far.leanPx(), far, subject, rules, out);
        double focus = r.segments().stream().mapToDouble(s -> s.focus().off()).filter(v -> !Double.isNaN(v)).max().orElse(1);
        if (rules.limit(Measure.FOCUS).judge(focus) != Verdict.HOLDS) {
            out.add(Finding.of(Measure.FOCUS, subject, focus, rules));
        }
        if (camera.verdict() == Verdict.WATCH || camera.verdict() == Verdict.REDO) {
            // A locked camera shows no parallax; what is left over there is noise.
            out.add(Finding.of(Measure.PARALLAX, subject, far.residualPx(), rules));
        }
        if (!lightByDesign) {
            out.add(Finding.of(Measure.EXPOSURE, subject, orNaN(r.exposureStops()), rules));
            out.add(Finding.of(Measure.WHITE_BALANCE, subject, orNaN(r.mired()), rules));
            drift(r).ifPresent(d -> out.add(Finding.of(Measure.DRIFT, subject, d, rules)));
        }
        // A first look shows what is wrong, not that nothing else is.
        return r.firstLook() ? out.stream().map(f -> f.verdict() == Verdict.HOLDS ? f.judged(Verdict.NOT_MEASURED) : f).toList() : out;
    }

    private static void swing(Measure m, double px, LockReport.Segment s, Subject subject, HouseRules rules, List<Finding> out) {
        if (px > SURE * s.furthestDeviationPx() && rules.limit(m).judge(px) != Verdict.HOLDS) {
            out.add(Finding.of(m, subject, px, rules));
        }
    }

    private static double orNaN(@Nullable Double v) {
        return v == null ? Double.NaN : v;
    }

    /// Stills and takes of which too little could be compared show no drift, neither good nor bad.
    private static Optional<Double> drift(LockReport r) {
        Double drift = r.driftStops();
        Double jump = r.jumpStops();
        return r.firstLook() || drift == null || jump == null ? Optional.empty() : Optional.of(Math.abs(jump) > JUMP_STOPS ? jump : drift);
    }

    private static Finding camera(LockReport r, LockReport.Segment far, Subject subject, HouseRules rules) {
        double shift = far.largestShiftPx();
        Verdict v = rules.limit(Measure.CAMERA).judge(shift);
        if (v == Verdict.WATCH && rules.limit(Measure.PARALLAX).judge(far.residualPx()) == Verdict.REDO) {
            v = Verdict.REDO;
        }
        // What may be chance is neither good nor bad.
        double give = SURE * far.furthestDeviationPx();
        double holds = rules.limit(Measure.CAMERA).holds();
        if (v != Verdict.HOLDS && give > CLOSE * holds && shift - give <= holds) {
            v = Verdict.NOT_MEASURED;
        }
        // What holds in some frames is not known to hold in those that could not be placed.
        if (v == Verdict.HOLDS && r.placedFrames() < ENOUGH * r.frames()) {
            v = Verdict.NOT_MEASURED;
        }
        return Finding.of(Measure.CAMERA, subject, shift, rules).judged(v)
                .detailed(far.shift().x(), far.shift().y(), (double) r.placedFrames(), (double) r.frames());
    }
}
