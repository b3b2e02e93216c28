package org.scenothesis.core.shot.step;

import org.scenothesis.core.Check;

/// Brightens or darkens; `matched`: exposure and colour are first brought to the base's by the lock check's measure.
public record Grade(double gainStops, boolean matched) implements Step {
    public static final Grade NONE = new Grade(0, false);

    public Grade {
        Check.range("gainStops", gainStops, -8, 8);
    }

    public Grade withGainStops(double other) {
        return new Grade(other, matched);
    }

    public Grade withMatched(boolean other) {
        return new Grade(gainStops, other);
    }
}
