package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;

/// Whether camera and light of a take are those of its reference.
final class CameraMeter implements Meter<LockReading> {
    @Override
    public String code() {
        return "lock";
    }

    @Override
    public int version() {
        return 12;
    }

    @Override
    public Class<LockReading> kind() {
        return LockReading.class;
    }

    static Subject subject(Plate plate, Take take) {
        return new Subject.OfTake(plate.id(), take.id());
    }

    @Override
    public Optional<Target> target(ProductionFolder folder, Shot shot, Plate plate, Take take, FootageBrief brief) {
        return Reference.of(shot, plate, take).map(r -> new Target(
                shot, plate, take, subject(plate, take), List.of(r.take(), take), Arrays.asList(r.take().reading(), take.reading()),
                r.kind().name()));
    }

    @Override
    public LockReading measure(Target t, MeasureContext means, Progress progress) throws FootageException {
        return LockCheck.read(means.source(t.footage().getFirst()), means.source(t.take()), means.bands(), progress);
    }

    @Override
    public Optional<LockReading> look(Target t, MeasureContext means, Progress progress) throws FootageException {
        return Optional.of(LockCheck.look(means.source(t.footage().getFirst()), means.source(t.take()), means.bands(), progress));
    }

    private static boolean own(Target t) {
        return t.against().equals(Reference.Kind.OWN_START.name());
    }

    @Override
    public List<Finding> unmeasured(Shot shot, Plate plate, Take take, @Nullable FootageBrief brief, String why) {
        if (plate.lockGroup().isEmpty()) {
            return List.of();
        }
        boolean alone = Reference.of(shot, plate, take).isEmpty();
        return List.of(Finding.unmeasured(Measure.CAMERA, subject(plate, take), alone ? Words.of("finding.CAMERA.alone") : why));
    }

    @Override
    public List<Finding> judge(LockReading r, Target t, HouseRules rules) {
        LockReport report = r.report();
        List<Finding> out = new ArrayList<>();
        for (Finding f : LockJudge.judge(report, t.subject(), rules, t.plate().role().lightDiffersByDesign())) {
            String key = "finding." + f.measure() + ".own." + f.verdict();
            out.add(own(t) && Words.has(key) ? f.noted(Words.of(key, Words.value(f))) : f);
        }
        if (report.firstLook()) {
            out.replaceAll(f -> f.verdict() == Verdict.NOT_MEASURED
                    ? f.noted(Words.of("finding.firstLook", report.series().size(), report.frames())) : f);
        }
        r.asked(t.subject()).ifPresent(out::add);
        return out;
    }
}
