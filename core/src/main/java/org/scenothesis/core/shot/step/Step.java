package org.scenothesis.core.shot.step;

import org.scenothesis.core.value.Animated;

/// One operation on a layer's picture. Steps are worked from the first to the last.
public sealed interface Step permits Steady, Outline, Key, Luma, Difference, OwnAlpha, Grade, Tone, Soften, Lens, Warp, Ripple, Grain, Flip, Pin, Join, Extend, Put, Wobble, Follow, Hold, Place, Shadow, Cast, Wrap, Glow, Letterbox, Presence {
    /// The same with every value that may be animated changed; most have none.
    default Step animate(Animated.Change change) {
        return this;
    }
}
