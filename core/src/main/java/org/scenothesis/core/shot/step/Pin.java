package org.scenothesis.core.shot.step;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// The picture's four corners pinned to four points, as a flat thing is seen in perspective: a display, a sheet, a wall.
///
/// `corners`: top left, top right, bottom right, bottom left, in shares of width and height; they may lie outside. They always span an outline that bends one way.
public record Pin(Animated<List<Point>> corners) implements Step {
    /// Where it was filmed.
    public static final List<Point> AS_FILMED = List.of(new Point(0, 0), new Point(1, 0), new Point(1, 1), new Point(0, 1));
    /// A little within the picture, so that its corners can be taken hold of.
    public static final Pin FRESH = new Pin(Animated.of(List.of(new Point(0.1, 0.1), new Point(0.9, 0.1), new Point(0.9, 0.9), new Point(0.1, 0.9))));
    private static final double FURTHEST = 20;

    /// @throws IllegalArgumentException if there are not four corners, one lies more than 20 pictures away, or they do not bend one way
    public Pin {
        checked(corners.still());
        corners.keys().forEach(k -> checked(k.value()));
    }

    private static void checked(List<Point> c) {
        Check.that(c.size() == 4, "a pin has four corners");
        for (Point p : c) {
            Check.range("x", p.x(), -FURTHEST, FURTHEST);
            Check.range("y", p.y(), -FURTHEST, FURTHEST);
        }
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
        return corners.at(seconds, Pin::between);
    }

    /// The pin with other corners at a moment, in seconds; where nothing is animated, for all time.
    public Pin with(double seconds, List<Point> other) {
        return new Pin(corners.set(seconds, other));
    }

    /// The pin with one of its corners elsewhere; the same if they would not bend one way.
    public Pin with(double seconds, int corner, Point to) {
        List<Point> other = new ArrayList<>(at(seconds));
        other.set(corner, to);
        return bendsOneWay(other) ? with(seconds, List.copyOf(other)) : this;
    }

    private static List<Point> between(List<Point> a, List<Point> b, double t) {
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < a.size(); i++) {
            out.add(a.get(i).plus(b.get(i).minus(a.get(i)).times(t)));
        }
        return List.copyOf(out);
    }

    @Override
    public Step animate(Animated.Change change) {
        return new Pin(change.of(corners, Pin::between));
    }
}
