package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// What counts: all within an outline, or all but that, soft at its edge.
///
/// - `corners`: in shares of width and height; fewer than three let all count.
/// - Between keys with as many corners each corner moves to its like; else the earlier outline is held.
@RecordBuilder
public record Outline(Animated<List<Point>> corners, double softnessPx, Counts counts, boolean curved, @Nullable TrackBinding hung,
        Map<String, Animated<Double>> keyed) implements Step, Keyable, OutlineBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Outline>> PARAMETERS = List.of(
            new Parameter<>(Outline.class, "softness", "px", new Parameter.Span(0, 400, 1, 0), (o, t) -> o.softnessPx(), (o, t, v) ->
            o.withSoftnessPx(v)));

    /// Lets all count.
    public static final Outline NONE = of(List.of(), 0);

    private static final int PIECES = 12;
    private static final int MOST_CORNERS = 10_000;

    /// Which side of it counts, and with what was said before.
    public enum Counts {
        /// Only what lies within.
        WITHIN,
        /// Only what lies outside.
        OUTSIDE,
        /// What lies within as well: an element is solid there.
        ALSO
    }

    /// - `curved`: its sides are curves through the corners. `hung`: it goes along with something that was followed; null for not.
    public Outline {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("softnessPx", softnessPx, 0, 400);
        corners = new Animated<>(
                checked(corners.still()), corners.keys().stream().map(k -> new Animated.At<>(k.seconds(), checked(k.value()), k.ease()))
                .toList());
    }

    @Override
    public Optional<TrackBinding> tied() {
        return Optional.ofNullable(hung);
    }

    /// Without keys by code.
    public Outline(Animated<List<Point>> corners, double softnessPx, Counts counts, boolean curved, @Nullable TrackBinding hung) {
        this(corners, softnessPx, counts, curved, hung, Map.of());
    }

    @Override
    public Outline withKeyed(Map<String, Animated<Double>> other) {
        return new Outline(corners, softnessPx, counts, curved, hung, other);
    }

    /// An outline that stands still; corners in shares of width and height, softness in pixels.
    public static Outline of(List<Point> corners, double softnessPx) {
        return of(Animated.of(corners), softnessPx);
    }

    /// An outline that may move; corners in shares of width and height, softness in pixels.
    public static Outline of(Animated<List<Point>> corners, double softnessPx) {
        return new Outline(corners, softnessPx, Counts.WITHIN, false, null);
    }

    /// The corners at a moment, in seconds; between keys of as many corners they move, otherwise the earlier ones stay.
    public List<Point> at(double seconds) {
        return corners.at(seconds, Points::between);
    }

    /// The outline as it is drawn at a moment, in seconds: curved sides as many short straight ones.
    ///
    /// Source: Catmull-Rom spline through the corners, closed.
    public List<Point> shape(double seconds) {
        List<Point> c = at(seconds);
        if (!curved || c.size() < 3) {
            return c;
        }
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < c.size(); i++) {
            for (int k = 0; k < PIECES; k++) {
                out.add(spline(c, i, k / (double) PIECES));
            }
        }
        return out;
    }

    private static Point spline(List<Point> c, int i, double t) {
        Point a = c.get(Math.floorMod(i - 1, c.size()));
        Point b = c.get(i);
        Point d = c.get((i + 1) % c.size());
        Point e = c.get((i + 2) % c.size());
        Point along = d.minus(a).times(0.5);
        Point on = e.minus(b).times(0.5);
        double t2 = t * t;
        double t3 = t2 * t;
        return b.times(2 * t3 - 3 * t2 + 1).plus(along.times(t3 - 2 * t2 + t)).plus(d.times(3 * t2 - 2 * t3)).plus(on.times(t3 - t2));
    }

    /// The outline with a key at a moment, in seconds.
    public Outline withCorners(double seconds, List<Point> other) {
        return withCorners(corners.set(seconds, other));
    }

    @Override
    public Step animate(Animated.Change change) {
        return withCorners(change.of(corners, Points::between));
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
