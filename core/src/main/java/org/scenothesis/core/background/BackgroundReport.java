package org.scenothesis.core.background;

import java.util.List;
import org.jspecify.annotations.Nullable;

/// What footage is like as a background.
///
/// - `moves`: by how much each frame is moved against the first; null for one that could not be placed. `ownMotionShare`: the share of the
///   picture that moves by itself, NaN where that is not known. `flickerStops`: how far exposure goes up and
///   down about its trend, NaN for a still. `bars`: black rows and columns at top, right, bottom, left, in pixels. `busy`: where it moves
///   by itself, null where that is not known.
public record BackgroundReport(CameraWork camera, List<@Nullable Move> moves, double ownMotionShare, double flickerStops, Bars bars,
        int width, int height, @Nullable Busy busy) {
    /// How a camera moves.
    public enum CameraWork {
        STILL,
        /// Only nearer or farther, as a zoom or a slow push of far things looks.
        PUSH,
        /// Turned, evenly.
        PAN,
        /// So slowly that it is seen only over the take.
        DRIFT,
        HAND_HELD,
        /// Travels: near and far things move differently, which no bend of the picture takes back.
        PARALLAX,
        /// Too little of the picture could be found again.
        UNKNOWN
    }

    /// Of one frame against the first: of the middle in pixels, turned, grown.
    public record Move(double x, double y, double rollDeg, double zoomPercent) {}

    /// Black edges.
    public record Bars(int top, int right, int bottom, int left) {
        public boolean none() {
            return top + right + bottom + left == 0;
        }
    }
}
