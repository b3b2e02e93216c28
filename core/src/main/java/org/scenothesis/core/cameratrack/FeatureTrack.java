package org.scenothesis.core.cameratrack;

import java.util.List;
import org.scenothesis.core.picture.Point;

/// One point of the set through the frames in which it was seen, in pixels from the picture's outer corner.
///
/// - `from`: the first of them; the others follow without a gap.
public record FeatureTrack(int from, List<Point> at) {
    public FeatureTrack {
        at = List.copyOf(at);
    }

    /// The last frame.
    int to() {
        return from + at.size() - 1;
    }

    boolean in(int frame) {
        return frame >= from && frame <= to();
    }

    /// Where it is in a frame that it is in.
    Point in(int frame, Point middle) {
        return at.get(frame - from).minus(middle);
    }
}
