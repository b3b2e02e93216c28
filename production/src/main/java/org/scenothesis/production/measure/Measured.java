package org.scenothesis.production.measure;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.scenothesis.core.match.LockReport;

/// All that has been measured of a shot so far: briefs and lock reports by footage path, matte reports by plate id.
public record Measured(Map<String, FootageBrief> briefs, Map<String, LockReport> locks, Map<String, KeyReport> keys) {
    public static final Measured NOTHING = new Measured(Map.of(), Map.of(), Map.of());

    public Measured {
        briefs = Map.copyOf(briefs);
        locks = Map.copyOf(locks);
        keys = Map.copyOf(keys);
    }

    public Optional<FootageBrief> brief(String footage) {
        return Optional.ofNullable(briefs.get(footage));
    }

    public Optional<LockReport> lock(String footage) {
        return Optional.ofNullable(locks.get(footage));
    }

    public Optional<KeyReport> key(String plate) {
        return Optional.ofNullable(keys.get(plate));
    }

    Measured with(String footage, FootageBrief b) {
        return new Measured(plus(briefs, footage, b), locks, keys);
    }

    Measured with(String footage, LockReport r) {
        return new Measured(briefs, plus(locks, footage, r), keys);
    }

    Measured withKey(String plate, KeyReport r) {
        return new Measured(briefs, locks, plus(keys, plate, r));
    }

    private static <T> Map<String, T> plus(Map<String, T> map, String key, T value) {
        Map<String, T> more = new HashMap<>(map);
        more.put(key, value);
        return more;
    }
}
