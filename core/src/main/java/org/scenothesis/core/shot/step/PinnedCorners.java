package org.scenothesis.core.shot.step;

import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// The picture's four corners pinned to four points, as a flat thing is seen in perspective: a display, a sheet, a wall.
///
/// `corners`: top left, top right, bottom right, bottom left, in shares of width and height; they may lie outside. They always span an
/// outline that bends one way.
public record PinnedCorners(Animated<List<Point>> corners) implements Step, PointDriven {
    /// Where it was filmed.
    public static final List<Point> AS_FILMED = List.of(new Point(0, 0), new Point(1, 0), new Point(1, 1), new Point(0, 1));
    /// A little within the picture, so that its corners can be taken hold of.
    public static final PinnedCorners FRESH =
            new PinnedCorners(Animated.of(List.of(new Point(0.1, 0.1), new Point(0.9, 0.1), new Point(0.9, 0.9), new Point(0.1, 0.9))));

    /// @throws IllegalArgumentException if there are not four corners, one lies more than 20 pictures away, or they do not bend one way
    public PinnedCorners {
        checked(corners.still());
        corners.keys().forEach(k -> checked(k.value()));
    }

    private static void checked(List<Point> c) {
        Points.check(c, 4);
        Check.that(bendsOneWay(c), "the four corners must go round one way, none within the others");
    }

    /// Whether four corners can be those of a flat rectangle seen from somewhere.
    public static boolean bendsOneWay(List<Point> c) {
        int left = 0;
        int right = 0;
        for (int i = 0; i < 4; i++) {
            Point a = c.get((i + 1) % 4).minus(c.get(i));
            Point b = c.get((i + 2) % 4).minus(c.get((i + 1) % 4));
            double turn = a.x() * b.y() - a.y() * b.x();
            left += turn < -1e-9 ? 1 : 0;
            right += turn > 1e-9 ? 1 : 0;
        }
        return left == 4 || right == 4;
    }

    /// The corners at a moment, in seconds; on the way between two keys they may for a while not bend one way.
    public List<Point> at(double seconds) {
        return corners.at(seconds, Points::between);
    }

    /// The pin with other corners at a moment, in seconds; where nothing is animated, for all time.
    public PinnedCorners with(double seconds, List<Point> other) {
        return new PinnedCorners(corners.set(seconds, other));
    }

    @Override
    public List<Point> points(double seconds) {
        return at(seconds);
    }

    @Override
    public PinnedCorners withPoints(double seconds, List<Point> other) {
        return bendsOneWay(other) ? with(seconds, other) : this;
    }

    @Override
    public List<List<Integer>> lines() {
        return List.of(List.of(0, 1, 2, 3, 0));
    }

    @Override
    public String prefix() {
        return "pin";
    }

    @Override
    public List<String> names() {
        return List.of("top-left", "top-right", "bottom-right", "bottom-left");
    }

    @Override
    public Step animate(Animated.Change change) {
        return new PinnedCorners(change.of(corners, Points::between));
    }
}
