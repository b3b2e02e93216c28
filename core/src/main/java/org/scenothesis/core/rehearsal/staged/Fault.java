package org.scenothesis.core.rehearsal.staged;

import java.util.Locale;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.value.Given;

/// What goes wrong on a set, to be rehearsed on purpose.
public enum Fault {
    /// Somebody touches the tripod half way.
    BUMP,
    /// A cloud passes: half a stop less in the end.
    DRIFT,
    /// The camera exposes by itself: it darkens in steps.
    AUTO_EXPOSURE,
    /// The cloth was not stretched.
    WRINKLES,
    /// Whoever moves goes three times as far, and leaves the cloth.
    LIMB,
    /// Half as long as it has to be.
    SHORT,
    /// The focus is let go half way, to the cloth behind.
    REFOCUS,
    /// The key's shadow falls on the cloth: it hangs close behind.
    SHADOW;

    private static final double CRUMPLED = 0.45;
    private static final double CLOSE = 0.35;

    /// Its name on the command line.
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// The set with this fault in it; those of the camera change nothing here.
    Stage in(Stage s) {
        return switch (this) {
            case WRINKLES -> s.withFloor(f -> f.withPieces(f.pieces().stream().map(p -> p.thing() instanceof Backdrop b ? p.withThing(b.withWrinkle(Given.told(CRUMPLED))) : p).toList()));
            case LIMB -> s.withFloor(f -> f.withPieces(f.pieces().stream().map(p -> p.thing() instanceof Body b ? p.withThing(b.withWay(b.way().stream().map(m -> new Body.Moment(m.beat(), m.seconds(), m.by().times(3))).toList())) : p).toList()));
            case SHADOW -> s.withFloor(f -> f.withPieces(f.pieces().stream().map(p -> p.thing() instanceof Backdrop b && b.kind().upright() ? p.put(p.at().at(nearer(p.at().x(), p.at().ahead().x()), nearer(p.at().z(), p.at().ahead().z()))) : p).toList()));
            default -> s;
        };
    }

    private static double nearer(double at, double ahead) {
        return at + CLOSE * 2 * ahead;
    }

    /// By how many stops a frame differs, `share` of the roll in.
    double stops(double share) {
        return switch (this) {
            case DRIFT -> -0.5 * share;
            case AUTO_EXPOSURE -> -0.2 * Math.floor(share * 3);
            default -> 0;
        };
    }

    /// How far the camera is pushed by a bump, in its own pixels: across and down.
    static Vec bumpPx() {
        return new Vec(3.2, -1.7, 0);
    }
}
