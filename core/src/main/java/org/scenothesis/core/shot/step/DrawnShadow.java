package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// A shadow drawn by hand, where there is no staged set: what stands on a line of the ground is laid down along the light, and up a wall
/// behind a second line.
///
/// - `points`: left and right end of the line it stands on, something high of it, where the shadow of that falls, then the two ends of the
///   line at which the ground becomes a wall; below the picture there is none.
/// - `density`: 0 to 1, how much light is taken; `softnessPx`: at that height, falling to nothing at the ground. `limit`: the shadow stays
///   within, if it has three corners.
@RecordBuilder
public record DrawnShadow(Animated<List<Point>> points, double density, double softnessPx, List<Point> limit,
        Map<String, Animated<Double>> keyed) implements Step, Keyable, PointDriven, DrawnShadowBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<DrawnShadow>> PARAMETERS = List.of(
            new Parameter<>(DrawnShadow.class, "cast-density", "", new Parameter.Span(0, 1, 0.02, 2), (c, t) -> c.density(), (c, t, v) ->
            c.withDensity(v)),
            new Parameter<>(DrawnShadow.class, "cast-softness", "px", new Parameter.Span(0, 400, 1, 0), (c, t) -> c.softnessPx(),
            (c, t, v) -> c.withSoftnessPx(v)));

    /// To the right and towards the camera, with a wall only at the very top of the picture.
    public static final DrawnShadow FRESH = new DrawnShadow(
            Animated.of(List.of(new Point(0.4, 0.85), new Point(0.6, 0.85), new Point(0.5, 0.4), new Point(0.75, 0.97),
            new Point(0.1, 0.03), new Point(0.9, 0.03))), 0.6, 12, List.of());

    public DrawnShadow {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("density", density, 0, 1);
        Check.range("softnessPx", softnessPx, 0, 400);
        Points.check(points.still(), 6);
        points.keys().forEach(k -> Points.check(k.value(), 6));
        Check.that(limit.size() <= 10_000, "a limit has at most 10000 corners");
        Points.check(limit, limit.size());
        limit = List.copyOf(limit);
    }

    /// Without keys by code.
    public DrawnShadow(Animated<List<Point>> points, double density, double softnessPx, List<Point> limit) {
        this(points, density, softnessPx, limit, Map.of());
    }

    @Override
    public DrawnShadow withKeyed(Map<String, Animated<Double>> other) {
        return new DrawnShadow(points, density, softnessPx, limit, other);
    }

    @Override
    public List<Point> points(double seconds) {
        return points.at(seconds, Points::between);
    }

    @Override
    public DrawnShadow withPoints(double seconds, List<Point> other) {
        return withPoints(points.set(seconds, other));
    }

    @Override
    public List<List<Integer>> lines() {
        return List.of(List.of(0, 1), List.of(2, 3), List.of(4, 5));
    }

    @Override
    public String prefix() {
        return "cast";
    }

    @Override
    public List<String> names() {
        return List.of("ground-left", "ground-right", "high", "high-shadow", "wall-left", "wall-right");
    }

    @Override
    public Step animate(Animated.Change change) {
        return withPoints(change.of(points, Points::between));
    }
}
