package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Given;

/// Where the layer stands on the set: an upright card that faces the camera.
///
/// - `filmedFoot`: where its foot stood when it was filmed; `foot`: where it is to stand. Metres in the world.
/// - `turnDeg`: clockwise in the picture; `size`: against its real size.
@RecordBuilder
public record Place(Given<Vec> filmedFoot, Animated<Vec> foot, Animated<Double> turnDeg, Animated<Double> size) implements Step, PlaceBuilder.With {
    public Place {
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
    public static Place at(Given<Vec> filmedFoot, Vec foot) {
        return new Place(filmedFoot, Animated.of(foot), Animated.of(0.0), Animated.of(1.0));
    }

    /// Where it was filmed: foot in metres, not turned, in its own size.
    public static Place asFilmed(Given<Vec> filmedFoot) {
        return at(filmedFoot, filmedFoot.value());
    }

    /// Filmed elsewhere than was thought: whoever stood where it was filmed stands there again, what was moved stays where it was moved to.
    public Place stands(Given<Vec> filmed) {
        return foot.keys().isEmpty() && foot.still().equals(filmedFoot.value()) ? withFilmedFoot(filmed).withFoot(Animated.of(filmed.value())) : withFilmedFoot(filmed);
    }

    /// Foot in metres, turn in degrees and size at a moment, in seconds.
    public Stand stand(double seconds) {
        return new Stand(foot.at(seconds, Vec::towards), turnDeg.at(seconds, Animated::number), size.at(seconds, Animated::number));
    }

    @Override
    public Step animate(Animated.Change change) {
        return new Place(filmedFoot, change.of(foot, Vec::towards), change.of(turnDeg, Animated::number), change.of(size, Animated::number));
    }
}
