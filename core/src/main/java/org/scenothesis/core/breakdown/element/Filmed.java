package org.scenothesis.core.breakdown.element;

import java.util.List;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;

/// Filmed for the shot, as its illusion asks.
record Filmed() implements ElementSource {
    @Override
    public List<PlateNeed> plates(Case c, List<PlateNeed> asked) {
        return asked;
    }

    @Override
    public List<KitItem> kit(List<KitItem> asked) {
        return asked;
    }
}
