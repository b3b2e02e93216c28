package org.scenothesis.core.shot;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/// Where and under what conditions a shot is filmed: plain facts that hold for all its illusions, and the place in the open if there is
/// one.
public record Setting(Map<String, String> facts, @Nullable Location place) {
    public static final Setting NONE = new Setting(Map.of(), null);

    public Setting {
        facts = Collections.unmodifiableMap(new TreeMap<>(facts));
    }

    /// The setting with one fact told or told anew.
    public Setting withFact(String key, String value) {
        Map<String, String> more = new TreeMap<>(facts);
        more.put(key, value);
        return new Setting(more, place);
    }

    /// The setting with a place in the open, or none.
    public Setting withPlace(@Nullable Location other) {
        return new Setting(facts, other);
    }

    /// The place, if the shot is filmed in the open.
    public Optional<Location> inTheOpen() {
        return Optional.ofNullable(place);
    }
}
