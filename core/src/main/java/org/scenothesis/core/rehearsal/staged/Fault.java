package org.scenothesis.core.rehearsal.staged;

import java.util.List;
import java.util.Locale;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Handling;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Piece;
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
    SHADOW,
    /// The camera sets its white by itself: it grows warmer in steps.
    AUTO_WHITE,
    /// Somebody wears what the screen is made of.
    CLOTHES,
    /// The stabiliser was left on: on a tripod the picture wanders.
    STABILISER,
    /// The floor shakes, and the rows of the picture are read one after another.
    ROLLING_SHUTTER;

    private static final double CRUMPLED = 0.45;
    private static final double CLOSE_M = 0.3;
    private static final double ASIDE_S = 1;
    private static final double WARMER = 0.08;
    /// How far the stabiliser wanders and how far the shaking goes, of the picture's width; how often, in hertz; the share of a second in
    /// which the rows are read.
    /// So many times as far away as before.
    static final double REFOCUSED = 1.6;
    private static final double WANDER = 0.004;
    private static final double SHAKE = 0.002;
    private static final double WANDER_HZ = 0.45;
    private static final double SHAKE_HZ = 7.3;
    private static final double READ_S = 0.02;

    /// Its name on the command line.
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// The set with this fault in it; those of the camera change nothing here.
    Stage in(Stage s) {
        return switch (this) {
            case WRINKLES -> s.withFloor(f -> f.withPieces(f.pieces().stream().map(p -> p.thing() instanceof Backdrop b
                    ? p.withThing(b.withWrinkle(Given.entered(CRUMPLED))) : p).toList()));
            case LIMB -> s.withFloor(f ->
                    f.withPieces(f.pieces().stream().map(p -> p.thing() instanceof Body b ? p.withThing(b.withWay(farther(b))) : p)
                    .toList()));
            case SHADOW -> s.withFloor(f -> f.withPieces(f.pieces().stream().map(p -> p.thing() instanceof Backdrop b && b.kind().upright()
                    ? nearer(f, p) : p).toList()));
            case BUMP, DRIFT, AUTO_EXPOSURE, SHORT, REFOCUS, AUTO_WHITE, CLOTHES, STABILISER, ROLLING_SHUTTER -> s;
        };
    }

    /// Three times as far; who stays steps aside by more than their own width.
    private static List<Body.Moment> farther(Body b) {
        return b.way().isEmpty()
                ? List.of(new Body.Moment("", 0, Vec.ZERO), new Body.Moment("", ASIDE_S, new Vec(1.5 * b.wideM().value(), 0, 0)))
                : b.way().stream().map(m -> new Body.Moment(m.beat(), m.seconds(), m.by().times(3))).toList();
    }

    /// A screen drawn up until it hangs close behind the nearest before it.
    private static Piece nearer(Floor f, Piece cloth) {
        Vec ahead = cloth.at().ahead();
        double gap = f.pieces().stream().filter(p -> p.thing() instanceof Body).mapToDouble(p -> p.at().up(0).minus(cloth.at().up(0))
                .dot(ahead) - ((Body) p.thing()).deepM().value() / 2).filter(d -> d > 0).min().orElse(0);
        Vec by = ahead.times(Math.max(0, gap - CLOSE_M));
        return cloth.put(cloth.at().at(cloth.at().x() + by.x(), cloth.at().z() + by.z()));
    }

    /// By how many stops a frame differs, `share` of the roll in.
    double stops(double share) {
        return switch (this) {
            case DRIFT -> -0.5 * share;
            case AUTO_EXPOSURE -> -0.2 * Math.floor(share * 3);
            case BUMP, WRINKLES, LIMB, SHORT, REFOCUS, SHADOW, AUTO_WHITE, CLOTHES, STABILISER, ROLLING_SHUTTER -> 0;
        };
    }

    /// What its colours are multiplied by, `share` of the roll in.
    Rgb balance(double share) {
        double warm = this == AUTO_WHITE ? WARMER * Math.floor(share * 3) / 3 : 0;
        return new Rgb(1 + warm, 1, 1 / (1 + warm));
    }

    /// How far the picture lies beside where it should, `seconds` in, for a picture so many pixels wide.
    Handling.Sway sway(double seconds, int widthPx) {
        return switch (this) {
            case STABILISER -> Handling.Sway.whole(wander(seconds, 0) * widthPx, 0.6 * wander(seconds, 1.3) * widthPx);
            case ROLLING_SHUTTER -> new Handling.Sway(shake(seconds) * widthPx, 0, shake(seconds + READ_S) * widthPx, 0);
            case BUMP, DRIFT, AUTO_EXPOSURE, WRINKLES, LIMB, SHORT, REFOCUS, SHADOW, AUTO_WHITE, CLOTHES -> Handling.Sway.NONE;
        };
    }

    /// It begins where the camera was set.
    private static double wander(double seconds, double phase) {
        return WANDER * (Math.sin(2 * Math.PI * WANDER_HZ * seconds + phase) - Math.sin(phase));
    }

    private static double shake(double seconds) {
        return SHAKE * Math.sin(2 * Math.PI * SHAKE_HZ * seconds);
    }

    /// How far the camera is pushed by a bump, in its own pixels: across and down.
    static Vec bumpPx() {
        return new Vec(3.2, -1.7, 0);
    }
}
