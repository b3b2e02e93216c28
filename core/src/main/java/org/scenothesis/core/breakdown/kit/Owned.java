package org.scenothesis.core.breakdown.kit;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.breakdown.fact.Fact;

/// So many of one thing a crew owns, with its sizes in their facts' units; a size nobody told is the usual one.
public record Owned(OwnedKind kind, String name, Map<Fact, Double> sizes, int count) {
    public Owned {
        Check.range("count", count, 1, 999);
        Map<Fact, Double> all = new EnumMap<>(Fact.class);
        for (Fact f : kind.sizes()) {
            double v = sizes.getOrDefault(f, Double.parseDouble(f.otherwise()));
            Check.range(f.key(), v, f.low(), f.high());
            all.put(f, v);
        }
        sizes = Collections.unmodifiableMap(all);
    }

    /// One of it, of usual sizes.
    public static Owned usual(OwnedKind kind) {
        return new Owned(kind, "", Map.of(), 1);
    }

    /// A size, in its fact's unit.
    public double size(Fact f) {
        return Check.present(sizes.get(f), kind + " has no " + f.key());
    }

    /// The same with another size.
    ///
    /// @throws IllegalArgumentException if it is out of bounds
    public Owned with(Fact f, double value) {
        Map<Fact, Double> all = new EnumMap<>(sizes);
        all.put(f, value);
        return new Owned(kind, name, all, count);
    }

    /// The same under another name, so that it is told from others like it.
    public Owned withName(String other) {
        return new Owned(kind, other, sizes, count);
    }

    /// So many of it.
    ///
    /// @throws IllegalArgumentException if that is none, or more than 999
    public Owned withCount(int other) {
        return new Owned(kind, name, sizes, other);
    }
}
