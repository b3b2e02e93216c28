package org.scenothesis.core.breakdown.wonder;

import java.util.Optional;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.plate.Case;

/// Where a lens can stand at all.
final class Lens {
    /// What a stand reaches that a crew of few carries, in metres.
    private static final double HIGHEST_M = 3;

    private Lens() {}

    /// What is wrong with a lens that would have to stand so high above the subject's floor and so far away: the limit, and the nearest set-up within it.
    static Optional<Conflict> stands(Case c, double lensM, double distanceM) {
        if (lensM < 0) {
            return Optional.of(Conflict.redo("lens.below", c.wonder().id(), c.subject(), -lensM));
        }
        // As far down at the same angle.
        return lensM > HIGHEST_M + 1e-9 ? Optional.of(Conflict.redo("lens.over", c.wonder().id(), c.subject(), lensM, HIGHEST_M, distanceM * HIGHEST_M / lensM)) : Optional.empty();
    }
}
