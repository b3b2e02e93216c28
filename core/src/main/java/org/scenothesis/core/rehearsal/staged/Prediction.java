package org.scenothesis.core.rehearsal.staged;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.scenothesis.core.Robust;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Handling;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.SetView;

/// What a rehearsed plate should measure, foretold before a frame of it is filmed: from the proofs of its set, and from what was made to go
/// wrong.
///
/// - `value`: in the measure's unit; NaN where only the verdict can be foretold. `by`: the faults it comes from; none where the set alone
///   makes it so.
public record Prediction(Measure measure, double value, Verdict verdict, List<Fault> by) {
    /// Of something this small in the picture the edge, softened by the coding of colour at half the size, is a share that counts.
    private static final double COARSE_PX = 100;

    /// Deviation of a sharp edge, in pixels.
    private static final double SHARP_PX = 0.75;

    public Prediction {
        by = List.copyOf(by);
    }

    /// Of a roll, the proofs of the set it is filmed on (with the faults that lie in the set) and the least length its plate needs, in
    /// seconds; `keyed`: whether it is keyed.
    public static List<Prediction> of(StagedRoll roll, List<Proved> proofs, boolean keyed, double needsS, HouseRules rules) {
        List<Prediction> out = new ArrayList<>();
        Set<Fault> f = roll.faults();
        if (needsS > 0) {
            double seconds = roll.frames() / roll.rate();
            out.add(new Prediction(Measure.ROLL, seconds, seconds + 1e-9 < needsS ? Verdict.REDO : Verdict.HOLDS, faults(f, Fault.SHORT)));
        }
        if (roll.frames() > 1) {
            out.add(judged(Measure.CAMERA, shift(roll), faults(f, Fault.BUMP, Fault.STABILISER, Fault.ROLLING_SHUTTER), rules));
            for (Measure m : List.of(Measure.WANDER, Measure.LEAN)) {
                double swing = swing(roll, m);
                if (rules.limit(m).judge(swing) != Verdict.HOLDS) {
                    out.add(judged(m, swing, faults(f, Fault.STABILISER, Fault.ROLLING_SHUTTER), rules));
                }
            }
            // What holds is no finding of its own, as with rows and sway.
            if (f.contains(Fault.REFOCUS) && rules.limit(Measure.FOCUS).judge(softer(roll)) != Verdict.HOLDS) {
                out.add(judged(Measure.FOCUS, softer(roll), faults(f, Fault.REFOCUS), rules));
            }
            Handling h = roll.handling();
            double[] stops = IntStream.range(0, roll.frames()).mapToDouble(h.stops()::applyAsDouble).sorted().toArray();
            out.add(judged(Measure.DRIFT, stops[stops.length - 1] - stops[0], faults(f, Fault.DRIFT, Fault.AUTO_EXPOSURE), rules));
            Rgb last = h.balance().apply(roll.frames() - 1);
            out.add(judged(Measure.WHITE_BALANCE, Math.abs(new Gains(last.r(), last.g(), last.b()).mired()), faults(f, Fault.AUTO_WHITE),
                    rules));
        }
        if (keyed) {
            from(proofs, Measure.CLOTH_EVEN)
                    .forEach(p -> out.add(judged(Measure.SCREEN_EVENNESS, p.finding().value(), faults(f, Fault.WRINKLES, Fault.SHADOW),
                    rules)));
            from(proofs, Measure.CLOTH_RETURN)
                    .forEach(p -> out.add(judged(Measure.SPILL, p.finding().value(), faults(f, Fault.SHADOW), rules)));
            from(proofs, Measure.CLOTH_ROOM)
                    .forEach(p -> out.add(new Prediction(Measure.BORDER, Double.NaN, p.finding().verdict(), faults(f, Fault.LIMB))));
            // The cloth's colour on the subject makes it look like cloth.
            boolean tinted = from(proofs, Measure.CLOTH_RETURN).anyMatch(p -> p.finding().verdict() != Verdict.HOLDS);
            boolean small = from(proofs, Measure.CLOTH_ROOM).anyMatch(p -> heightPx(roll.view(), p) < COARSE_PX);
            out.add(new Prediction(Measure.GREY_INSIDE, Double.NaN, f.contains(Fault.CLOTHES) ? Verdict.REDO : small || tinted
                    ? Verdict.WATCH : Verdict.HOLDS, faults(f, Fault.CLOTHES)));
            Verdict before = rules.limit(Measure.GREY_OUTSIDE).judge(100 * roll.view().stoodBefore());
            List<Verdict> clean = Stream.of(Measure.CLOTH_FOLDS, Measure.CLOTH_SHADOW, Measure.CLOTH_ROOM, Measure.CLOTH_EVEN)
                    .flatMap(m -> from(proofs, m)).map(p -> p.finding().verdict()).toList();
            out.add(new Prediction(Measure.GREY_OUTSIDE, Double.NaN, Verdict.of(Stream.concat(clean.stream(), Stream.of(before)).toList()),
                    faults(f, Fault.WRINKLES, Fault.SHADOW, Fault.LIMB)));
        }
        return out;
    }

    private static Prediction judged(Measure m, double value, List<Fault> by, HouseRules rules) {
        Limit limit = rules.limit(m);
        return new Prediction(m, value, limit.judge(value), by);
    }

    /// How high what was proved of is in the picture, at its smallest.
    private static double heightPx(SetView view, Proved p) {
        return view.bodies().stream().filter(b -> p.about().contains(b.id())).mapToDouble(b -> {
            List<Double> y = SetView.box(b, 0).corners().stream().map(c -> view.pose().project(c).y()).toList();
            return Collections.max(y) - Collections.min(y);
        }).min().orElse(Double.MAX_VALUE);
    }

    /// The most serious of what was proved of a measure.
    private static Stream<Proved> from(List<Proved> proofs, Measure m) {
        return proofs.stream().filter(p -> p.finding().measure() == m).max(Comparator.comparingInt(p -> p.finding().verdict().weight()))
                .stream();
    }

    private static List<Fault> faults(Set<Fault> there, Fault... any) {
        return Stream.of(any).filter(there::contains).toList();
    }

    /// Half of how far the frames sway, or their rows lean.
    private static double swing(StagedRoll roll, Measure m) {
        return Robust.halfOfMost(IntStream.range(0, roll.frames()).mapToObj(roll.handling().sway()::apply)
                .mapToDouble(s -> m == Measure.WANDER ? (s.topX() + s.bottomX()) / 2 : leans(s)).toArray());
    }

    /// How many times as wide the edges of what was sharp become once the focus is let go: a circle of an even blur deviates by a quarter
    /// of its diameter.
    private static double softer(StagedRoll roll) {
        SetView view = roll.view();
        double focus = view.stage().floor().lens().focusM().value();
        double px = view.lens().blurCircleM(focus, Fault.REFOCUSED * focus) / view.lens().sensorWidthM() * view.widthPx() / 4;
        return Math.hypot(1, px / SHARP_PX);
    }

    private static double leans(Handling.Sway s) {
        double x = s.bottomX() - s.topX();
        double y = s.bottomY() - s.topY();
        return Math.abs(x) > Math.abs(y) ? x : y;
    }

    /// The farthest any row of a frame lies from where it should, in pixels.
    private static double shift(StagedRoll roll) {
        Vec bump = roll.faults().contains(Fault.BUMP) ? Fault.bumpPx() : Vec.ZERO;
        double most = 0;
        for (int i = 0; i < roll.frames(); i++) {
            Vec pushed = i >= roll.frames() / 2 ? bump : Vec.ZERO;
            Handling.Sway s = roll.handling().sway().apply(i);
            most = Math.max(most, Math.max(Math.hypot(pushed.x() + s.topX(), pushed.y() + s.topY()),
                    Math.hypot(pushed.x() + s.bottomX(), pushed.y() + s.bottomY())));
        }
        return most;
    }
}
