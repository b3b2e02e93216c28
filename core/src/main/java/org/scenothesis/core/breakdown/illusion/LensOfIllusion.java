package org.scenothesis.core.breakdown.illusion;

import java.util.Optional;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.plate.Case;

/// Where a lens can stand at all.
final class LensOfIllusion {
    private LensOfIllusion() {}

    /// What is wrong with a lens that would have to stand so high above the subject's floor and so far away: the limit, and the nearest
    /// set-up within it.
    static Optional<Conflict> stands(Case c, double lensM, double distanceM) {
        if (lensM < 0) {
            return Optional.of(Conflict.redo(ConflictKind.LENS_BELOW, c.illusion().id(), c.subject(), -lensM));
        }
        // As far down at the same angle.
        double highest = c.number(Fact.STAND_M);
        return lensM > highest + 1e-9
                ? Optional.of(Conflict.redo(ConflictKind.LENS_OVER, c.illusion().id(), c.subject(), lensM, highest,
                distanceM * highest / lensM))
                : Optional.empty();
    }
}
