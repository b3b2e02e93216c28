package org.scenothesis.core.breakdown.element;

import java.util.List;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Told;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;

/// Where the element of a wonder comes from, and what is left to film of it. One unit per kind.
///
/// Source: handbook, *Facts that decide more than the wonder itself*.
public sealed interface ElementSource permits Filmed, Existing, Drawn {
    /// The kind that was told; filmed where nothing was.
    static ElementSource of(Told wonder) {
        return switch (wonder.answer(Fact.ELEMENT)) {
            case "existing" -> new Existing();
            case "drawn" -> new Drawn();
            default -> new Filmed();
        };
    }

    /// Whether a plate is of an element that is laid over the shot: a glow, a rim, smoke, a transition, writing.
    static boolean element(PlateNeed n) {
        return switch (n.role()) {
            case ON_BLACK, ON_WHITE, TRANSITION, SURFACE_TITLE, ATMOSPHERE -> true;
            default -> false;
        };
    }

    /// A wonder's plates with its element as it comes.
    List<PlateNeed> plates(Case c, List<PlateNeed> asked);

    /// What is to be brought for it.
    List<KitItem> kit(List<KitItem> asked);
}
