package org.scenothesis.production.measure;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;

/// All that has been measured of the shots so far.
///
/// - `briefs`: by footage path. `locks`: by shot, plate and take, each against the reference it says. `keys`: by shot and plate.
/// - `troubles`: why something could not be measured, as a sentence, under the same keys as its result would have.
public record Measured(Map<String, FootageBrief> briefs, Map<String, LockResult> locks, Map<String, KeyResult> keys, Map<String, String> troubles) {
    public static final Measured NOTHING = new Measured(Map.of(), Map.of(), Map.of(), Map.of());

    /// A lock check and what it was made against.
    ///
    /// - `matrix`: the colour matrix that agrees better with the reference than the assumed one; null for none.
    /// - `of`: how the files stood and were read; when that changes, the result is of something else.
    public record LockResult(LockReport report, Reference.Kind against, @Nullable ColourMatrix matrix, String of) {}

    /// A matte check, and of what.
    public record KeyResult(KeyReport report, String of) {}

    public Measured {
        briefs = Map.copyOf(briefs);
        locks = Map.copyOf(locks);
        keys = Map.copyOf(keys);
        troubles = Map.copyOf(troubles);
    }

    private static String of(Shot shot, Plate plate, Take take) {
        return shot.id() + "/" + plate.id() + "/" + take.id();
    }

    private static String of(Shot shot, Plate plate) {
        return shot.id() + "/" + plate.id();
    }

    public Optional<FootageBrief> brief(String footage) {
        return Optional.ofNullable(briefs.get(footage));
    }

    public Optional<FootageBrief> brief(Take take) {
        return brief(take.footage());
    }

    public Optional<LockReport> lock(Shot shot, Plate plate, Take take) {
        return lockResult(shot, plate, take).map(LockResult::report);
    }

    public Optional<LockResult> lockResult(Shot shot, Plate plate, Take take) {
        return Optional.ofNullable(locks.get(of(shot, plate, take)));
    }

    public Optional<KeyReport> key(Shot shot, Plate plate) {
        return keyResult(shot, plate).map(KeyResult::report);
    }

    Optional<KeyResult> keyResult(Shot shot, Plate plate) {
        return Optional.ofNullable(keys.get(of(shot, plate)));
    }

    /// Why the lock check of a take has no result.
    public Optional<String> lockTrouble(Shot shot, Plate plate, Take take) {
        return Optional.ofNullable(troubles.get(of(shot, plate, take)));
    }

    /// Why the matte of a plate was not measured.
    public Optional<String> keyTrouble(Shot shot, Plate plate) {
        return Optional.ofNullable(troubles.get(of(shot, plate)));
    }

    Measured with(String footage, FootageBrief b) {
        return new Measured(plus(briefs, footage, b), locks, keys, troubles);
    }

    Measured withLock(Shot shot, Plate plate, Take take, LockResult r) {
        return new Measured(briefs, plus(locks, of(shot, plate, take), r), keys, minus(troubles, of(shot, plate, take)));
    }

    Measured withKey(Shot shot, Plate plate, KeyResult r) {
        return new Measured(briefs, locks, plus(keys, of(shot, plate), r), minus(troubles, of(shot, plate)));
    }

    Measured withLockTrouble(Shot shot, Plate plate, Take take, String sentence) {
        return new Measured(briefs, minus(locks, of(shot, plate, take)), keys, plus(troubles, of(shot, plate, take), sentence));
    }

    Measured withKeyTrouble(Shot shot, Plate plate, String sentence) {
        return new Measured(briefs, locks, minus(keys, of(shot, plate)), plus(troubles, of(shot, plate), sentence));
    }

    private static <T> Map<String, T> plus(Map<String, T> map, String key, T value) {
        if (value.equals(map.get(key))) {
            return map;
        }
        Map<String, T> more = new HashMap<>(map);
        more.put(key, value);
        return more;
    }

    private static <T> Map<String, T> minus(Map<String, T> map, String key) {
        if (!map.containsKey(key)) {
            return map;
        }
        Map<String, T> less = new HashMap<>(map);
        less.remove(key);
        return less;
    }
}
