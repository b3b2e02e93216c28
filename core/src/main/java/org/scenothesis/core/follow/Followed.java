package org.scenothesis.core.follow;

import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// A followed thing in one frame.
///
/// - `places`: where its points lie, in pixels; empty where it was not found. `size`: against where it was pointed out; `turnDeg`:
///   likewise, clockwise.
/// - `confidence`: 0 to 1, how alike what was found is, and how much of it is seen.
public record Followed(int frame, List<Point> places, double size, double turnDeg, double confidence) {
    public Followed {
        Check.range("confidence", confidence, 0, 1);
        places = List.copyOf(places);
    }

    static Followed lost(int frame, double confidence) {
        return new Followed(frame, List.of(), 1, 0, confidence);
    }

    /// Whether it was found in this frame.
    public boolean found() {
        return !places.isEmpty();
    }
}
