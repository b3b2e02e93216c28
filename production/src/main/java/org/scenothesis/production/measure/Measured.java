package org.scenothesis.production.measure;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Outcome;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;

/// All that has been measured of the shots so far.
///
/// - `briefs`: what is known of files without measuring, by footage path. `readings`: what came of every meter.
public record Measured(Map<String, FootageBrief> briefs, Map<Spot, Kept> readings) {
    public static final Measured NOTHING = new Measured(Map.of(), Map.of());

    /// What was measured by which meter.
    record Spot(String meter, String shot, Subject subject) {}

    /// - `against`: what it was compared with. `of`: how the files stood and were read, with which settings; when that changes, the outcome
    ///   is of something else.
    record Kept(Outcome<?> outcome, String against, String of) {}

    public Measured {
        briefs = Map.copyOf(briefs);
        readings = Map.copyOf(readings);
    }

    public Optional<FootageBrief> brief(String footage) {
        return Optional.ofNullable(briefs.get(footage));
    }

    public Optional<FootageBrief> brief(Take take) {
        return brief(take.footage());
    }

    /// What came of a meter; empty while nothing did. Of a meter there are only readings of its kind.
    @SuppressWarnings("unchecked")
    <R> Optional<Outcome<R>> outcome(Meter<R> meter, Shot shot, Subject subject) {
        return Optional.ofNullable((Outcome<R>) outcome(meter.code(), shot, subject));
    }

    private @Nullable Outcome<?> outcome(String meter, Shot shot, Subject subject) {
        Kept k = readings.get(new Spot(meter, shot.id(), subject));
        return k == null ? null : k.outcome;
    }

    /// The same of what a target would be compared with now.
    <R> Optional<Outcome<R>> outcome(Meter<R> meter, Target t) {
        Kept k = readings.get(new Spot(meter.code(), t.shot().id(), t.subject()));
        return k == null || !k.against.equals(t.against()) ? Optional.empty() : outcome(meter, t.shot(), t.subject());
    }

    Optional<String> of(Meter<?> meter, Shot shot, Subject subject) {
        return Optional.ofNullable(readings.get(new Spot(meter.code(), shot.id(), subject))).map(Kept::of);
    }

    /// The lock check of a take.
    public Optional<LockReport> lock(Shot shot, Plate plate, Take take) {
        return outcome(Meters.CAMERA, shot, CameraMeter.subject(plate, take)).flatMap(Outcome::found).map(LockReading::report);
    }

    /// The matte check of a plate.
    public Optional<KeyReport> key(Shot shot, Plate plate) {
        return outcome(Meters.KEY, shot, KeyMeter.subject(plate)).flatMap(Outcome::found);
    }

    /// Why the lock check of a take has no result.
    public Optional<String> lockTrouble(Shot shot, Plate plate, Take take) {
        return outcome(Meters.CAMERA, shot, CameraMeter.subject(plate, take)).map(Outcome::trouble).filter(s -> !s.isEmpty());
    }

    /// Why the matte of a plate was not measured.
    public Optional<String> keyTrouble(Shot shot, Plate plate) {
        return outcome(Meters.KEY, shot, KeyMeter.subject(plate)).map(Outcome::trouble).filter(s -> !s.isEmpty());
    }

    /// Whether the pictures stay as they are with `o`: the camera where it was, the files those that were opened.
    public boolean samePictures(Measured o) {
        return briefs.equals(o.briefs) && cameras().equals(o.cameras());
    }

    private Map<Spot, Kept> cameras() {
        Map<Spot, Kept> out = new HashMap<>(readings);
        out.keySet().removeIf(s -> !s.meter.equals(Meters.CAMERA.code()));
        return out;
    }

    Measured with(String footage, FootageBrief b) {
        return new Measured(plus(briefs, footage, b), readings);
    }

    <R> Measured with(Meter<R> meter, Target t, Outcome<R> outcome, String of) {
        return new Measured(briefs, plus(readings, new Spot(meter.code(), t.shot().id(), t.subject()), new Kept(outcome, t.against(), of)));
    }

    private static <K, V> Map<K, V> plus(Map<K, V> map, K key, V value) {
        if (value.equals(map.get(key))) {
            return map;
        }
        Map<K, V> more = new HashMap<>(map);
        more.put(key, value);
        return more;
    }
}
