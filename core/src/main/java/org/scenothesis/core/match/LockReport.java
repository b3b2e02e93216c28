package org.scenothesis.core.match;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Point;

/// The lock check of a whole take against its reference.
///
/// - `segments`: stretches in which the camera stood in one place, in order; a bump begins every one but the first. Empty when no frame
///   could be placed.
/// - `driftStops`: slow change of exposure from start to end by a line; `jumpStops`: largest sudden step; null where too few frames could
///   be compared.
/// - `series`: one sample per frame; what could not be measured in it is null.
public record LockReport(int frames, List<Segment> segments, @Nullable Double driftStops, @Nullable Double jumpStops, List<Sample> series) {
    /// What sways by less is not taken back frame by frame: its noise would be put in its place.
    private static final double SWAYS_PX = 0.15;

    public LockReport {
        segments = List.copyOf(segments);
        series = List.copyOf(series);
    }

    /// A stretch of frames, both ends included, over which everything is a median.
    ///
    /// - `shift` at the centre; `corners`: top left, top right, bottom right, bottom left; `stepPx`: how far the camera stepped when the
    ///   stretch began, 0 for the first.
    /// - `deviationPx`: how far the shift of a frame may be off, as a standard deviation.
    /// - `gains` is null when exposure could not be compared.
    /// - `wanderPx`: how far most frames lie to either side of the middle of their shifts; `leanPx`: how far the rows of most frames lean
    ///   to either side. 0 over fewer frames than tell.
    /// - `focus`: how many times as wide as in the reference the edges of the set are.
    public record Segment(
            int from, int to, double usedShare, Point shift, List<Point> corners, double rollDeg, double zoomPercent, double residualPx,
            double deviationPx, @Nullable Gains gains,
            double stepPx, double wanderPx, double leanPx, Focus focus) {
        public Segment {
            corners = List.copyOf(corners);
        }

        /// How far the shift may be off where it is largest: in a corner twice as far as at the centre once the picture also turned or
        /// grew, by points spread over a wide picture.
        public double furthestDeviationPx() {
            return rollDeg == 0 && zoomPercent == 0 ? deviationPx : 2 * deviationPx;
        }

        /// The same shifted further.
        Segment moved(Point by) {
            return new Segment(from, to, usedShare, shift.plus(by), corners.stream().map(c -> c.plus(by)).toList(), rollDeg, zoomPercent,
                    residualPx, deviationPx, gains, stepPx, wanderPx, leanPx, focus);
        }

        /// Largest shift at the centre or any corner, in pixels.
        public double largestShiftPx() {
            return Math.max(shift.length(), corners.stream().mapToDouble(Point::length).max().orElse(0));
        }
    }

    /// Edges of the set against the reference's over a stretch: in most frames at least `low` and at most `high` times as wide; null where
    /// too little tells.
    public record Focus(@Nullable Double low, @Nullable Double high) {
        /// The farther of both from alike, as a ratio above 1; NaN where it is not known.
        public double off() {
            Double a = low;
            Double b = high;
            return a == null || b == null ? Double.NaN : Math.max(Math.max(a, 1 / a), Math.max(b, 1 / b));
        }
    }

    /// One frame of the series.
    public record Sample(int frame, @Nullable Double x, @Nullable Double y, @Nullable Double exposureStops) {
        /// Its shift at the centre; null where it could not be placed.
        @Nullable Point shift() {
            return x == null || y == null ? null : new Point(x, y);
        }

        public boolean placed() {
            return x != null && y != null;
        }
    }

    /// Whether the camera could be placed at all.
    public boolean found() {
        return !segments.isEmpty();
    }

    /// Whether only a few of the frames were looked at yet.
    public boolean firstLook() {
        return series.size() < frames;
    }

    /// How many frames could be placed.
    public int placedFrames() {
        return (int) series.stream().filter(Sample::placed).count();
    }

    /// Where the camera stands at a frame: the stretch that holds it, else the nearest; in one that sways or drifts, where that frame
    /// itself lies.
    ///
    /// @throws java.util.NoSuchElementException if no frame could be placed
    public Segment at(int frame) {
        Segment s = segments.stream().filter(x -> frame <= x.to()).findFirst().orElseGet(segments::getLast);
        if (s.wanderPx <= SWAYS_PX) {
            return s;
        }
        return series.stream().filter(x -> x.frame == frame).flatMap(x -> Stream.ofNullable(x.shift())).findFirst()
                .map(p -> s.moved(p.minus(s.shift))).orElse(s);
    }

    /// Where the camera stands in the end.
    ///
    /// @throws java.util.NoSuchElementException if no frame could be placed
    public Segment settled() {
        return segments.getLast();
    }

    /// The stretch in which the camera stands furthest from the reference.
    ///
    /// @throws java.util.NoSuchElementException if no frame could be placed
    public Segment furthest() {
        return segments.stream().max(Comparator.comparingDouble(Segment::largestShiftPx)).orElseThrow();
    }

    /// The first frame that stands elsewhere than those before it; null when the camera stayed.
    public @Nullable Integer bumpFrame() {
        return segments.size() < 2 ? null : Integer.valueOf(segments.get(1).from());
    }

    /// The largest step of any bump, in pixels.
    public double bumpPx() {
        return segments.stream().mapToDouble(Segment::stepPx).max().orElse(0);
    }

    /// The largest difference of exposure of any stretch, in stops; null when none could be compared.
    public @Nullable Double exposureStops() {
        return extreme(Gains::stops);
    }

    /// The largest difference of colour of any stretch, in mired; null when none could be compared.
    public @Nullable Double mired() {
        return extreme(Gains::mired);
    }

    private @Nullable Double extreme(ToDoubleFunction<Gains> of) {
        return segments.stream().map(Segment::gains).filter(Objects::nonNull).map(of::applyAsDouble)
                .max(Comparator.comparingDouble(Math::abs)).orElse(null);
    }
}
