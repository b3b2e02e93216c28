package org.scenothesis.core.breakdown.element;

import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.PlateRole;

/// A recording that exists: nothing is filmed of it; it is judged by its ground, its lines and its rate, allowed, and brought in.
record Existing() implements ElementSource {
    @Override
    public List<PlateNeed> plates(Case c, List<PlateNeed> asked) {
        Answer.ElementGround ground = c.choice(Answer.ElementGround.class);
        PlateRole role = switch (ground) {
            case BLACK -> PlateRole.ON_BLACK;
            case WHITE -> PlateRole.ON_WHITE;
            case ALPHA, SCREEN -> PlateRole.ELEMENT;
        };
        return asked.stream().map(n -> !ElementSource.element(c, n) ? n
                : c.here(n.key(), role, Reason.ELEMENT_EXISTING, n.about()).inGroups("W", "").lasting(0, 1)
                .recording("ground." + ground.code())).toList();
    }

    @Override
    public List<KitItem> kit(List<KitItem> asked) {
        return Drawn.less(asked);
    }
}
