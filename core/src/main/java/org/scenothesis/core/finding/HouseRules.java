package org.scenothesis.core.finding;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import org.scenothesis.core.Check;

/// The limits, approaches and estimates of one production.
///
/// - `limits`: those the house has set; the others are the handbook's. `approaches`: the chosen ways; what is not in it is not chosen yet.
@RecordBuilder
public record HouseRules(Map<Measure, Limit> limits, Map<Approach, String> approaches, Estimates estimates)
        implements HouseRulesBuilder.With {
    public static final HouseRules DEFAULT = new HouseRules(Map.of(), Map.of(), Estimates.DEFAULT);

    public HouseRules {
        for (Map.Entry<Approach, String> e : approaches.entrySet()) {
            Check.that(e.getKey().ways().contains(e.getValue()), "the school " + e.getKey() + " has no way " + e.getValue());
        }
        limits = sorted(limits, Measure.class);
        approaches = sorted(approaches, Approach.class);
    }

    private static <K extends Enum<K>, V> Map<K, V> sorted(Map<K, V> map, Class<K> keys) {
        Map<K, V> out = new EnumMap<>(keys);
        out.putAll(map);
        return Collections.unmodifiableMap(out);
    }

    /// The house's limit, in the measure's unit; the usual one unless it was changed.
    public Limit limit(Measure m) {
        return limits.getOrDefault(m, m.limit());
    }

    /// The rules with one limit changed.
    public HouseRules withLimit(Measure m, Limit limit) {
        return new HouseRules(plus(limits, Measure.class, m, limit), approaches, estimates);
    }

    /// The code of the way the house follows in a matter.
    public String approach(Approach matter) {
        return approaches.getOrDefault(matter, matter.otherwise());
    }

    /// Whether the house follows this way.
    public boolean follows(Approach matter, String way) {
        return approach(matter).equals(way);
    }

    /// The rules with another way followed in a matter.
    public HouseRules withApproach(Approach matter, String way) {
        return new HouseRules(limits, plus(approaches, Approach.class, matter, way), estimates);
    }

    private static <K extends Enum<K>, V> Map<K, V> plus(Map<K, V> map, Class<K> keys, K key, V value) {
        Map<K, V> more = new EnumMap<>(keys);
        more.putAll(map);
        more.put(key, value);
        return more;
    }
}
