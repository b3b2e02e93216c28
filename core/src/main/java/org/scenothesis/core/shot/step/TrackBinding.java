package org.scenothesis.core.shot.step;

import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Hung on something that was followed: as it lies at `sinceSeconds` of that take it was made, and from there it goes along.
///
/// `turns`: it turns and changes its size as well, not only its place.
public record TrackBinding(String track, double sinceSeconds, boolean turns) {
    public TrackBinding {
        Check.range("sinceSeconds", sinceSeconds, 0, Animated.LONGEST_S);
    }
}
