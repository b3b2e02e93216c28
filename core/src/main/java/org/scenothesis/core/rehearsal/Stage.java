package org.scenothesis.core.rehearsal;

import java.util.ArrayList;
import java.util.List;

/// Solids and lamps of a set, or of the moving things on it.
public record Stage(List<Solid> solids, List<Lamp> lamps) {
    public static final Stage EMPTY = new Stage(List.of(), List.of());

    public Stage {
        solids = List.copyOf(solids);
        lamps = List.copyOf(lamps);
    }

    public Stage with(Stage more) {
        List<Solid> s = new ArrayList<>(solids);
        s.addAll(more.solids);
        List<Lamp> l = new ArrayList<>(lamps);
        l.addAll(more.lamps);
        return new Stage(s, l);
    }

    public Stage dimmed(double factor) {
        return new Stage(solids, lamps.stream().map(l -> l.dimmed(factor)).toList());
    }
}
