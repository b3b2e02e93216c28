package org.scenothesis.core.breakdown.base;

import org.scenothesis.core.breakdown.method.Demand;

/// A base whose place is not where the performances are filmed: they share one set-up before a cloth.
sealed interface FromElsewhere extends Base permits FilmedElsewhere, ExistingPicture {
    @Override
    default String performing() {
        return ScreenSetUp.GROUP;
    }

    @Override
    default Demand demand(Demand d) {
        return ScreenSetUp.demand(d);
    }
}
