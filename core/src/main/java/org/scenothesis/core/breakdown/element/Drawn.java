package org.scenothesis.core.breakdown.element;

import java.util.List;
import java.util.Set;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;

/// Drawn over the finished shot: no plate, no kit.
record Drawn() implements ElementSource {
    private static final Set<String> OF_ELEMENTS = Set.of("cloth.black", "board", "overhead", "goggles");

    @Override
    public List<PlateNeed> plates(Case c, List<PlateNeed> asked) {
        return asked.stream().filter(n -> !ElementSource.element(c, n)).toList();
    }

    @Override
    public List<KitItem> kit(List<KitItem> asked) {
        return less(asked);
    }

    /// Without what only films elements.
    static List<KitItem> less(List<KitItem> asked) {
        return asked.stream().filter(k -> !OF_ELEMENTS.contains(k.code()) && !k.code().startsWith("material.")).toList();
    }
}
