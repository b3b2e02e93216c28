package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Given;

/// Where the layer stands on the set: an upright card that faces the camera.
///
/// - `filmedFoot`: where its foot stood when it was filmed; `foot`: where it is to stand. Metres in the world.
/// - `turnDeg`: clockwise in the picture; `size`: against its real size.
@RecordBuilder
public record SetPlace(Given<Vec> filmedFoot, Animated<Vec> foot, Animated<Double> turnDeg, Animated<Double> size) implements Step,
        SetPlaceBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<SetPlace>> PARAMETERS = List.of(
            new Parameter<>(SetPlace.class, "sideways", "m", new Parameter.Span(-50, 50, 0.01, 2), (p, t) -> p.stand(t).foot().x(),
            (p, t, v) -> p.stood(t, new Vec(v, p.stand(t).foot().y(), p.stand(t).foot().z()))).keyed(Parameter.Keying.OWN),
            new Parameter<>(SetPlace.class, "height", "m", new Parameter.Span(-10, 50, 0.01, 2), (p, t) -> p.stand(t).foot().y(),
            (p, t, v) -> p.stood(t, new Vec(p.stand(t).foot().x(), v, p.stand(t).foot().z()))).keyed(Parameter.Keying.OWN),
            new Parameter<>(SetPlace.class, "away", "m", new Parameter.Span(-50, 100, 0.01, 2), (p, t) -> p.stand(t).foot().z(),
            (p, t, v) -> p.stood(t, new Vec(p.stand(t).foot().x(), p.stand(t).foot().y(), v))).keyed(Parameter.Keying.OWN),
            new Parameter<>(SetPlace.class, "filmed-sideways", "m", new Parameter.Span(-50, 50, 0.01, 2), (p, t) -> p.filmedFoot().value()
            .x(), (p, t, v) -> p.filmedAt(new Vec(v, p.filmedFoot().value().y(), p.filmedFoot().value().z())))
            .keyed(Parameter.Keying.FILMED),
            new Parameter<>(SetPlace.class, "filmed-height", "m", new Parameter.Span(-10, 50, 0.01, 2), (p, t) -> p.filmedFoot().value()
            .y(), (p, t, v) -> p.filmedAt(new Vec(p.filmedFoot().value().x(), v, p.filmedFoot().value().z())))
            .keyed(Parameter.Keying.FILMED),
            new Parameter<>(SetPlace.class, "filmed-away", "m", new Parameter.Span(-50, 100, 0.01, 2), (p, t) -> p.filmedFoot().value()
            .z(), (p, t, v) -> p.filmedAt(new Vec(p.filmedFoot().value().x(), p.filmedFoot().value().y(), v)))
            .keyed(Parameter.Keying.FILMED),
            new Parameter<>(SetPlace.class, "turn", "\u00b0", new Parameter.Span(-180, 180, 0.5, 1), (p, t) -> p.turnDeg()
            .at(t, Animated::number), (p, t, v) -> p.withTurnDeg(p.turnDeg().set(t, v))).keyed(Parameter.Keying.OWN),
            new Parameter<>(SetPlace.class, "size", "\u00d7", new Parameter.Span(0.05, 20, 0.01, 2), (p, t) -> p.size()
            .at(t, Animated::number), (p, t, v) -> p.withSize(p.size().set(t, v))).keyed(Parameter.Keying.OWN));

    public SetPlace {
        place("filmedFoot", filmedFoot.value());
        place("foot", foot.still());
        foot.keys().forEach(k -> place("foot", k.value()));
        Check.range("turnDeg", turnDeg.still(), -36_000, 36_000);
        turnDeg.keys().forEach(k -> Check.range("turnDeg", k.value(), -36_000, 36_000));
        Check.range("size", size.still(), 0.01, 100);
        size.keys().forEach(k -> Check.range("size", k.value(), 0.01, 100));
    }

    private static void place(String name, Vec v) {
        Check.place(name, v.x(), v.y(), v.z());
    }

    /// Standing at a moment.
    public record Stand(Vec foot, double turnDeg, double size) {}

    /// As large as it was filmed, at `foot`.
    public static SetPlace at(Given<Vec> filmedFoot, Vec foot) {
        return new SetPlace(filmedFoot, Animated.of(foot), Animated.of(0.0), Animated.of(1.0));
    }

    /// Where it was filmed: foot in metres, not turned, in its own size.
    public static SetPlace asFilmed(Given<Vec> filmedFoot) {
        return at(filmedFoot, filmedFoot.value());
    }

    /// Filmed elsewhere than was thought: whoever stood where it was filmed stands there again, what was moved stays where it was moved to.
    public SetPlace stands(Given<Vec> filmed) {
        return foot.keys().isEmpty() && foot.still().equals(filmedFoot.value()) ? withFilmedFoot(filmed)
                .withFoot(Animated.of(filmed.value())) : withFilmedFoot(filmed);
    }

    /// Foot in metres, turn in degrees and size at a moment, in seconds.
    public Stand stand(double seconds) {
        return new Stand(foot.at(seconds, Vec::towards), turnDeg.at(seconds, Animated::number), size.at(seconds, Animated::number));
    }

    @Override
    public Step animate(Animated.Change change) {
        return new SetPlace(filmedFoot, change.of(foot, Vec::towards), change.of(turnDeg, Animated::number),
                change.of(size, Animated::number));
    }

    private SetPlace stood(double seconds, Vec at) {
        return withFoot(foot.set(seconds, at));
    }

    private SetPlace filmedAt(Vec at) {
        return stands(Given.entered(at));
    }
}
