package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.measure.Measured.LockResult;
import org.scenothesis.production.words.Words;

/// Judges what was measured of a shot: the findings of every plate's chosen take. What should be measured and is not yet is a finding too.
public final class ShotFindings {
    private static final Limit NO_LIMIT = new Limit(0, 0);
    private static final double SAME_RATE = 0.001;

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

    /// How much of what has to be measured was measured.
    public record Known(long measured, long of) {
        public boolean all() {
            return measured == of;
        }
    }

    public static Known known(List<Finding> findings) {
        return new Known(findings.stream().filter(f -> f.verdict() != Verdict.NOT_MEASURED).count(), findings.size());
    }

    public static List<Finding> of(Shot shot, Plate plate, Measured m, HouseRules rules) {
        Take take = plate.chosen();
        if (take == null) {
            return List.of(Finding.of(Measure.MISSING, plate.id(), 0, NO_LIMIT).judged(Verdict.REDO));
        }
        FootageBrief brief = m.brief(take).orElse(null);
        if (brief != null && !brief.usable()) {
            return List.of(Finding.of(Measure.MISSING, plate.id(), 1, NO_LIMIT).judged(Verdict.REDO).noted(brief.problem()));
        }
        List<Finding> out = new ArrayList<>();
        out.add(brief == null ? Finding.unmeasured(Measure.ROLL, plate.id(), "") : roll(plate, brief));
        out.addAll(lock(shot, plate, take, m, rules));
        if (plate.role().keyed() && (brief == null || !brief.alpha())) {
            out.addAll(matte(shot, plate, m, rules));
        }
        if (brief != null) {
            out.addAll(fitting(shot, plate, brief, m));
        }
        return out;
    }

    /// Findings of any take of a plate about its camera and light.
    public static List<Finding> lock(Shot shot, Plate plate, Take take, Measured m, HouseRules rules) {
        if (Reference.of(shot, plate, take).isEmpty()) {
            boolean wanted = !plate.lockGroup().isEmpty();
            return wanted ? List.of(Finding.unmeasured(Measure.CAMERA, plate.id(), Words.of("finding.CAMERA.alone"))) : List.of();
        }
        LockResult r = m.lockResult(shot, plate, take).orElse(null);
        if (r == null) {
            return List.of(Finding.unmeasured(Measure.CAMERA, plate.id(), m.lockTrouble(shot, plate, take).orElse("")));
        }
        List<Finding> out = new ArrayList<>();
        for (Finding f : LockJudge.judge(r.report(), plate.id(), rules, plate.role().lightDiffersByDesign())) {
            boolean own = r.against() == Reference.Kind.OWN_START;
            String key = "finding." + f.measure() + ".own." + f.verdict();
            out.add(own && Words.has(key) ? f.noted(Words.of(key, Words.value(f))) : f);
        }
        if (r.report().firstLook()) {
            out.replaceAll(f -> f.verdict() == Verdict.NOT_MEASURED ? f.noted(Words.of("finding.firstLook", r.report().series().size(), r.report().frames())) : f);
        }
        if (r.matrix() != null) {
            out.add(Finding.of(Measure.MATRIX, plate.id(), 1, NO_LIMIT).judged(Verdict.WATCH)
                    .noted(Words.of("finding.MATRIX.note", Words.of("matrix." + r.matrix()))));
        }
        return out;
    }

    private static List<Finding> matte(Shot shot, Plate plate, Measured m, HouseRules rules) {
        KeyReport k = m.key(shot, plate).orElse(null);
        if (k == null) {
            String why = m.keyTrouble(shot, plate).orElse("");
            return List.of(Finding.unmeasured(Measure.SCREEN_EVENNESS, plate.id(), why), Finding.unmeasured(Measure.GREY_INSIDE, plate.id(), why));
        }
        double even = k.evennessStops() == null ? Double.NaN : k.evennessStops();
        return KeyJudge.judge(k.worst(), even, k.source() == ScreenModel.Source.SCREEN_PLATE, plate.id(), rules);
    }

    private static Finding roll(Plate plate, FootageBrief b) {
        double needed = plate.rollSeconds();
        double got = b.still() ? 0 : b.seconds();
        // A quiet clean plate may be held: shorter than the take is worth a look, not a second day.
        boolean mayHold = plate.role().mayBeHeld();
        Verdict v = got + 0.05 >= needed ? Verdict.HOLDS : mayHold ? Verdict.WATCH : Verdict.REDO;
        return Finding.of(Measure.ROLL, plate.id(), got, new Limit(needed, Math.max(needed, 1e6))).judged(v).detailed(needed, (double) b.frames());
    }

    /// Where size, rate or length of a layered plate differ from the base's: what the render does about it.
    private static List<Finding> fitting(Shot shot, Plate plate, FootageBrief b, Measured m) {
        List<Layer> on = shot.layers().stream().filter(Layer::on).toList();
        boolean used = on.stream().anyMatch(l -> l.source().plates().contains(plate.id()));
        FootageBrief base = base(shot, on, m);
        if (!used || base == null) {
            return List.of();
        }
        List<Finding> out = new ArrayList<>();
        if (b.width() != base.width() || b.height() != base.height()) {
            double stretched = Math.abs((double) b.width() * base.height() / (b.height() * (double) base.width()) - 1);
            out.add(Finding.of(Measure.SIZE, plate.id(), b.width(), NO_LIMIT).judged(stretched > 0.01 ? Verdict.REDO : Verdict.WATCH)
                    .detailed((double) b.width(), (double) b.height(), (double) base.width(), (double) base.height()));
        }
        double rate = rate(shot, on, m);
        if (!b.still() && Math.abs(b.rate() / rate - 1) > SAME_RATE) {
            out.add(Finding.of(Measure.RATE, plate.id(), b.rate(), NO_LIMIT).judged(Verdict.WATCH).detailed(rate));
        }
        if (!b.still() && b.seconds() + 1 / rate < shot.seconds()) {
            out.add(Finding.of(Measure.LENGTH, plate.id(), b.seconds(), NO_LIMIT).judged(Verdict.WATCH).detailed(shot.seconds()));
        }
        return out;
    }

    private static @Nullable FootageBrief base(Shot shot, List<Layer> on, Measured m) {
        return on.isEmpty() ? null : brief(shot, on.getFirst(), m).orElse(null);
    }

    private static Optional<FootageBrief> brief(Shot shot, Layer l, Measured m) {
        return shot.plate(l.plate()).map(Plate::chosen).filter(Objects::nonNull).flatMap(m::brief).filter(FootageBrief::usable);
    }

    /// The rate of the shot: that of the lowest layer that moves.
    public static double rate(Shot shot, List<Layer> on, Measured m) {
        return on.stream().flatMap(l -> brief(shot, l, m).stream()).filter(b -> !b.still()).mapToDouble(FootageBrief::rate).findFirst().orElse(24);
    }
}
