package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// Where the layer lies in the picture, moved by hand; for shots without a staged set, and for what stands on none.
///
/// - `about`: what it is turned and sized about, where it was filmed; in shares of the picture's width and height.
/// - `by`: how far that point is moved, in the same shares. `turnDeg`: clockwise. `size`: against the size it was filmed in.
@RecordBuilder
public record FramePlace(Point about, Animated<Point> by, Animated<Double> turnDeg, Animated<Double> size) implements Step,
        FramePlaceBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<FramePlace>> PARAMETERS = List.of(
            new Parameter<>(FramePlace.class, "across", "%", new Parameter.Span(-400, 400, 0.5, 1), (p, t) -> 100 * p.at(t).by().x(),
            (p, t, v) -> p.withBy(p.by().set(t, new Point(v / 100, p.at(t).by().y())))).keyed(Parameter.Keying.OWN),
            new Parameter<>(FramePlace.class, "down", "%", new Parameter.Span(-400, 400, 0.5, 1), (p, t) -> 100 * p.at(t).by().y(),
            (p, t, v) -> p.withBy(p.by().set(t, new Point(p.at(t).by().x(), v / 100)))).keyed(Parameter.Keying.OWN),
            new Parameter<>(FramePlace.class, "put-turn", "\u00b0", new Parameter.Span(-3600, 3600, 0.5, 1), (p, t) -> p.at(t).turnDeg(),
            (p, t, v) -> p.withTurnDeg(p.turnDeg().set(t, v))).keyed(Parameter.Keying.OWN),
            new Parameter<>(FramePlace.class, "put-size", "\u00d7", new Parameter.Span(0.02, 50, 0.01, 2), (p, t) -> p.at(t).size(),
            (p, t, v) -> p.withSize(p.size().set(t, v))).keyed(Parameter.Keying.OWN));

    /// Where it was filmed, about the middle of the picture.
    public static final FramePlace AS_FILMED = new FramePlace(new Point(0.5, 0.5), Animated.of(new Point(0, 0)), Animated.of(0.0),
            Animated.of(1.0));
    private static final double FURTHEST = 20;

    /// @throws IllegalArgumentException if a share is outside ±20, the turn outside ±36 000 degrees, or the size outside 0.01 to 100
    public FramePlace {
        share(about);
        share(by.still());
        by.keys().forEach(k -> share(k.value()));
        Check.range("turnDeg", turnDeg.still(), -36_000, 36_000);
        turnDeg.keys().forEach(k -> Check.range("turnDeg", k.value(), -36_000, 36_000));
        Check.range("size", size.still(), 0.01, 100);
        size.keys().forEach(k -> Check.range("size", k.value(), 0.01, 100));
    }

    private static void share(Point p) {
        Check.range("x", p.x(), -FURTHEST, FURTHEST);
        Check.range("y", p.y(), -FURTHEST, FURTHEST);
    }

    /// Where it lies at a moment: shares of the picture, degrees, times.
    public record Lie(Point by, double turnDeg, double size) {}

    /// How it lies at a moment of the shot, in seconds.
    public Lie at(double seconds) {
        return new Lie(by.at(seconds, FramePlace::between), turnDeg.at(seconds, Animated::number), size.at(seconds, Animated::number));
    }

    /// Where each point goes at a moment, in seconds, in a picture of so many pixels.
    public PlanarMap motion(double seconds, int width, int height) {
        Lie lie = at(seconds);
        return PlanarMap.similarity(lie.size, Math.toRadians(lie.turnDeg), new Point(about.x() * width, about.y() * height),
                new Point(lie.by.x() * width, lie.by.y() * height));
    }

    /// The same lying otherwise from a moment on, in seconds; where nothing is animated, for all time.
    public FramePlace with(double seconds, Lie lie) {
        return new FramePlace(about, by.set(seconds, lie.by), turnDeg.set(seconds, lie.turnDeg), size.set(seconds, lie.size));
    }

    private static Point between(Point a, Point b, double t) {
        return a.plus(b.minus(a).times(t));
    }

    @Override
    public Step animate(Animated.Change change) {
        return new FramePlace(about, change.of(by, FramePlace::between), change.of(turnDeg, Animated::number),
                change.of(size, Animated::number));
    }
}
