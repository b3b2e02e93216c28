package org.scenothesis.core.shot.step;

import java.util.Optional;
import org.scenothesis.core.value.Animated;

/// One operation on a layer's picture. Steps are worked from the first to the last.
public sealed interface Step permits LockCorrection, Outline, Key, Luma, Difference, OwnAlpha, Exposure, ColourGrade, LayerBlur, LensMatch,
        Warp, Ripple, Grain, Flip, PinnedCorners, Join, Extend, FramePlace, HandHeld, Follow, TrackSteady, SetPlace, Shadow, DrawnShadow,
        Wrap, Glow, Letterbox, Opacity {
    /// The track it goes with, if there is one.
    default Optional<TrackBinding> tied() {
        return Optional.empty();
    }

    /// The same with every value that may be animated changed; most have none.
    default Step animate(Animated.Change change) {
        return this;
    }
}
