package org.scenothesis.core.rehearsal;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.rehearsal.trace.Emitter;
import org.scenothesis.core.rehearsal.trace.Solid;

/// Solids and lamps of a set, or of the moving things on it.
public record Scenery(List<Solid> solids, List<Emitter> lamps) {
    public static final Scenery EMPTY = new Scenery(List.of(), List.of());

    public Scenery {
        solids = List.copyOf(solids);
        lamps = List.copyOf(lamps);
    }

    /// Both together.
    public Scenery with(Scenery more) {
        List<Solid> s = new ArrayList<>(solids);
        s.addAll(more.solids);
        List<Emitter> l = new ArrayList<>(lamps);
        l.addAll(more.lamps);
        return new Scenery(s, l);
    }

    /// The same with every lamp times a factor.
    public Scenery dimmed(double factor) {
        return new Scenery(solids, lamps.stream().map(l -> l.dimmed(factor)).toList());
    }
}
