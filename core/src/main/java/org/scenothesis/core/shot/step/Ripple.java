package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// Waves that run outwards from a point, as on water or in hot air, and die away towards the second point.
///
/// `points`: the middle, and how far they reach. `heightPx`: how far they draw; `lengthPx`: from crest to crest; `perSecond`: crests a
/// second.
@RecordBuilder
public record Ripple(Animated<List<Point>> points, Animated<Double> heightPx, double lengthPx, double perSecond,
        Map<String, Animated<Double>> keyed) implements Step, Keyable, PointDriven, RippleBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Ripple>> PARAMETERS = List.of(
            new Parameter<>(Ripple.class, "ripple-height", "px", new Parameter.Span(0, 200, 0.5, 1), (r, t) -> r.heightPx()
            .at(t, Animated::number), (r, t, v) -> r.withHeightPx(r.heightPx().set(t, v))).keyed(Parameter.Keying.OWN),
            new Parameter<>(Ripple.class, "ripple-length", "px", new Parameter.Span(2, 4000, 1, 0), (r, t) -> r.lengthPx(), (r, t, v) ->
            r.withLengthPx(v)),
            new Parameter<>(Ripple.class, "ripple-speed", "/s", new Parameter.Span(-50, 50, 0.1, 1), (r, t) -> r.perSecond(), (r, t, v) ->
            r.withPerSecond(v)).keyed(Parameter.Keying.RUNS));
    public static final Ripple FRESH = new Ripple(Animated.of(List.of(new Point(0.5, 0.5), new Point(0.75, 0.5))), Animated.of(4.0), 40, 1);

    public Ripple {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Points.check(points.still(), 2);
        points.keys().forEach(k -> Points.check(k.value(), 2));
        Check.range("heightPx", heightPx.still(), 0, 200);
        heightPx.keys().forEach(k -> Check.range("heightPx", k.value(), 0, 200));
        Check.range("lengthPx", lengthPx, 2, 4000);
        Check.range("perSecond", perSecond, -50, 50);
    }

    /// Without keys by code.
    public Ripple(Animated<List<Point>> points, Animated<Double> heightPx, double lengthPx, double perSecond) {
        this(points, heightPx, lengthPx, perSecond, Map.of());
    }

    @Override
    public Ripple withKeyed(Map<String, Animated<Double>> other) {
        return new Ripple(points, heightPx, lengthPx, perSecond, other);
    }

    @Override
    public List<Point> points(double seconds) {
        return points.at(seconds, Points::between);
    }

    @Override
    public Ripple withPoints(double seconds, List<Point> other) {
        return withPoints(points.set(seconds, other));
    }

    @Override
    public List<List<Integer>> lines() {
        return List.of(List.of(0, 1));
    }

    @Override
    public List<String> names() {
        return List.of("middle", "reach");
    }

    @Override
    public Step animate(Animated.Change change) {
        return withPoints(change.of(points, Points::between)).withHeightPx(change.of(heightPx, Animated::number));
    }
}
