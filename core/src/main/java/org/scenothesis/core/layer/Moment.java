package org.scenothesis.core.layer;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.stage.Stage;

/// A moment of a shot as its layers need it: the set (null before it is staged), seconds of the shot, and how what was followed has moved.
public record Moment(@Nullable Stage stage, double seconds, Motions motions) {
    /// How a picture of `width × height` moves with what it hangs on.
    @FunctionalInterface
    public interface Motions {
        PlanarMap of(TrackBinding by, int width, int height);
    }

    /// A moment at which nothing is followed.
    public static Moment at(@Nullable Stage stage, double seconds) {
        return new Moment(stage, seconds, (by, w, h) -> PlanarMap.identity());
    }

    /// A moment of a shot, in seconds.
    public static Moment of(Shot shot, double seconds) {
        return new Moment(shot.stage(), seconds, (by, w, h) -> Tracks.motion(shot, by, seconds, w, h));
    }
}
