package org.scenothesis.core.shot.step;

import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// One half of something filmed in two parts: cut at a seam, and its seam laid onto that of the other half, so that place, angle and width
/// agree.
///
/// `points`: the two ends of the seam as filmed, then where they are to lie. `keeps`: which side of the seam is kept, as seen in its own
/// picture.
public record Join(Animated<List<Point>> points, Side keeps, double softnessPx, Map<String, Animated<Double>> keyed) implements Step,
        Keyable, PointDriven {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Join>> PARAMETERS = List.of(
            new Parameter<>(Join.class, "seam-softness", "px", new Parameter.Span(0, 400, 0.5, 1), (j, t) -> j.softnessPx(), (j, t, v) ->
            j.with(j.keeps(), v)));

    /// Which side of the seam.
    public enum Side {
        ABOVE,
        BELOW,
        /// It is not cut, only laid.
        WHOLE
    }

    /// A seam across the middle that stays where it was filmed.
    public static final Join FRESH = new Join(
            Animated.of(List.of(new Point(0.35, 0.5), new Point(0.65, 0.5), new Point(0.35, 0.5), new Point(0.65, 0.5))), Side.ABOVE, 4);

    /// @throws IllegalArgumentException if there are not four points, or the ends of a seam are one
    public Join {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("softnessPx", softnessPx, 0, 400);
        checked(points.still());
        points.keys().forEach(k -> checked(k.value()));
    }

    /// Without keys by code.
    public Join(Animated<List<Point>> points, Side keeps, double softnessPx) {
        this(points, keeps, softnessPx, Map.of());
    }

    private static void checked(List<Point> p) {
        Points.check(p, 4);
        Check.that(apart(p), "the two ends of a seam must not be one point");
    }

    private static boolean apart(List<Point> p) {
        return p.get(0).minus(p.get(1)).length() > 1e-4 && p.get(2).minus(p.get(3)).length() > 1e-4;
    }

    @Override
    public List<Point> points(double seconds) {
        return points.at(seconds, Points::between);
    }

    @Override
    public Join withPoints(double seconds, List<Point> other) {
        return apart(other) ? new Join(points.set(seconds, other), keeps, softnessPx, keyed) : this;
    }

    /// The same of the other side, or softer.
    public Join with(Side side, double softness) {
        return new Join(points, side, softness, keyed);
    }

    @Override
    public List<List<Integer>> lines() {
        return List.of(List.of(0, 1), List.of(2, 3));
    }

    @Override
    public List<String> names() {
        return List.of("seam-left", "seam-right", "onto-left", "onto-right");
    }

    @Override
    public Step animate(Animated.Change change) {
        return new Join(change.of(points, Points::between), keeps, softnessPx, keyed);
    }

    @Override
    public Join withKeyed(Map<String, Animated<Double>> other) {
        return new Join(points, keeps, softnessPx, other);
    }
}
