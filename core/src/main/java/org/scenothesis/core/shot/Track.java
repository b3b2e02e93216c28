package org.scenothesis.core.shot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.core.value.Animated;

/// Where something was found in the frames of a plate's take: one point, or the four corners of something flat.
///
/// - `spots`: the frames in which it was found or shown by hand, in order; of frames in which it was lost there is none.
/// - What hangs on it moves as it does; between two spots in a straight line, before the first and after the last it stays.
@RecordBuilder
public record Track(String id, String name, String plate, List<Spot> spots) implements TrackBuilder.With {
    private static final int MOST_SPOTS = 100_000;
    private static final double FURTHEST = 20;

    /// Where it is in one frame.
    ///
    /// - `seconds`: into the take. `places`: one or four, in shares of the picture's width and height. `size`, `turnDeg`: against where it
    ///   was pointed out.
    /// - `confidence`: 0 to 1. `byHand`: somebody showed it.
    public record Spot(double seconds, List<Point> places, double size, double turnDeg, double confidence, boolean byHand) {
        public Spot {
            Check.range("seconds", seconds, 0, Animated.LONGEST_S);
            Check.that(places.size() == 1 || places.size() == 4, "a trail follows one point or four corners");
            for (Point p : places) {
                Check.range("x", p.x(), -FURTHEST, FURTHEST);
                Check.range("y", p.y(), -FURTHEST, FURTHEST);
            }
            Check.range("size", size, 0.001, 1000);
            Check.range("turnDeg", turnDeg, -36_000, 36_000);
            Check.range("confidence", confidence, 0, 1);
            places = List.copyOf(places);
        }

        private Spot towards(Spot o, double t) {
            List<Point> between = new ArrayList<>();
            for (int i = 0; i < places.size(); i++) {
                between.add(places.get(i).plus(o.places.get(i).minus(places.get(i)).times(t)));
            }
            double turn = turnDeg + Math.IEEEremainder(o.turnDeg - turnDeg, 360) * t;
            return new Spot(seconds + (o.seconds - seconds) * t, between, size * Math.pow(o.size / size, t), turn,
                    Math.min(confidence, o.confidence), false);
        }
    }

    /// @throws IllegalArgumentException if there is no spot, some follow one point and some four, or four corners do not go round one way
    public Track {
        Check.that(!spots.isEmpty() && spots.size() <= MOST_SPOTS, "a trail has 1 to " + MOST_SPOTS + " spots");
        List<Spot> sorted = new ArrayList<>(spots);
        sorted.sort(Comparator.comparingDouble(Spot::seconds));
        int points = sorted.getFirst().places.size();
        Check.that(sorted.stream().allMatch(s -> s.places.size() == points), "a trail follows one point or four corners, not both");
        Check.that(sorted.stream().allMatch(s -> lies(s.places)), "the four corners of a spot must go round one way");
        spots = List.copyOf(sorted);
    }

    /// Whether places can be those of a point, or of something flat seen from before it.
    public static boolean lies(List<Point> places) {
        return places.size() != 4 || PinnedCorners.bendsOneWay(places);
    }

    /// Whether it follows the corners of something flat.
    public boolean flat() {
        return spots.getFirst().places.size() == 4;
    }

    /// Where it is at a moment of the take, in seconds.
    public Spot at(double seconds) {
        Spot before = spots.getFirst();
        for (Spot s : spots) {
            if (s.seconds > seconds) {
                Spot between = s == before ? s : before.towards(s, (seconds - before.seconds) / (s.seconds - before.seconds));
                // Half way between two views it may for a moment be none.
                return lies(between.places) ? between : before;
            }
            before = s;
        }
        return before;
    }

    /// Whether there is a spot within half a frame of `rate` per second of a moment of the take.
    public boolean found(double seconds, double rate) {
        return spots.stream().anyMatch(s -> Math.abs(s.seconds - seconds) < 0.5 / rate);
    }

    /// How a picture of `width × height` moves from one moment of the take to another, so that it stays on what was followed.
    ///
    /// - `turns`: with its turn and size, else it is only shifted; something flat always keeps its perspective, and is not moved where it
    ///   is seen edge on.
    public PlanarMap motion(double since, double now, boolean turns, int width, int height) {
        Spot from = at(since);
        Spot to = at(now);
        if (flat()) {
            return PlanarMap.fourPoints(pixels(from, width, height), pixels(to, width, height)).orElse(PlanarMap.identity());
        }
        Point a = pixels(from, width, height)[0];
        Point b = pixels(to, width, height)[0];
        return turns ? PlanarMap.similarity(to.size / from.size, Math.toRadians(to.turnDeg - from.turnDeg), a, b.minus(a))
                : PlanarMap.shift(b.x() - a.x(), b.y() - a.y());
    }

    private static Point[] pixels(Spot s, int width, int height) {
        return s.places.stream().map(p -> new Point(p.x() * width, p.y() * height)).toArray(Point[]::new);
    }
}
