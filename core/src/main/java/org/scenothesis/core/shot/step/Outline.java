package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// What counts: all within an outline, soft at its edge.
///
/// - `corners`: in shares of width and height; fewer than three let all count.
/// - Between keys with as many corners each corner moves to its like; else the earlier outline is held.
@RecordBuilder
public record Outline(Animated<List<Point>> corners, double softnessPx) implements Step, OutlineBuilder.With {
    /// Lets all count.
    public static final Outline NONE = of(List.of(), 0);

    private static final int MOST_CORNERS = 10_000;

    public Outline {
        Check.range("softnessPx", softnessPx, 0, 400);
        corners = new Animated<>(
                checked(corners.still()), corners.keys().stream().map(k -> new Animated.At<>(k.seconds(), checked(k.value()), k.ease())).toList());
    }

    /// An outline that stands still; corners in shares of width and height, softness in pixels.
    public static Outline of(List<Point> corners, double softnessPx) {
        return new Outline(Animated.of(corners), softnessPx);
    }

    /// The corners at a moment, in seconds; between keys of as many corners they move, otherwise the earlier ones stay.
    public List<Point> at(double seconds) {
        return corners.at(seconds, Outline::between);
    }

    /// The outline with a key at a moment, in seconds.
    public Outline withCorners(double seconds, List<Point> other) {
        return new Outline(corners.set(seconds, other), softnessPx);
    }

    @Override
    public Step animate(Animated.Change change) {
        return new Outline(change.of(corners, Outline::between), softnessPx);
    }

    private static List<Point> between(List<Point> a, List<Point> b, double t) {
        if (a.size() != b.size()) {
            return t < 1 ? a : b;
        }
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < a.size(); i++) {
            Point from = a.get(i);
            Point to = b.get(i);
            out.add(new Point(Animated.number(from.x(), to.x(), t), Animated.number(from.y(), to.y(), t)));
        }
        return out;
    }

    private static List<Point> checked(List<Point> corners) {
        Check.that(corners.size() <= MOST_CORNERS, "an outline has at most " + MOST_CORNERS + " corners");
        for (Point p : corners) {
            Check.range("a corner of the outline", p.x(), -10, 11);
            Check.range("a corner of the outline", p.y(), -10, 11);
        }
        return List.copyOf(corners);
    }
}
