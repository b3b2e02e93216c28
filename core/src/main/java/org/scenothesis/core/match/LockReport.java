package org.scenothesis.core.match;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Point;

/// The lock check of a whole take against its reference.
///
/// - `shift`, `corners` (top left, top right, bottom right, bottom left), `rollDeg`, `zoomPercent`, `residualPx`, `gains`: median over the frames, or over
///   those after the bump if there was one.
/// - `bumpFrame`: first frame that stands elsewhere than those before it; null when the camera stayed.
/// - `driftStops`: slow change of exposure from start to end by a line; `jumpStops`: largest sudden step.
public record LockReport(
        int frames,
        double usedShare,
        Point shift,
        List<Point> corners,
        double rollDeg,
        double zoomPercent,
        double residualPx,
        Gains gains,
        @Nullable Integer bumpFrame,
        double bumpPx,
        double driftStops,
        double jumpStops,
        List<Sample> series,
        boolean found) {
    public LockReport {
        corners = List.copyOf(corners);
        series = List.copyOf(series);
    }

    /// One frame of the series.
    public record Sample(int frame, double x, double y, double exposureStops) {}

    public double exposureStops() {
        return gains.stops();
    }

    /// Largest shift at the centre or any corner, in pixels.
    public double largestShiftPx() {
        double most = shift.length();
        for (Point p : corners) {
            most = Math.max(most, p.length());
        }
        return most;
    }
}
