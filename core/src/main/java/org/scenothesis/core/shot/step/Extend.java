package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;

/// A picture with more room around it: for headroom that was not filmed, or a frame to move in. The room is mirrored at the picture's
/// edges, or left open for a second picture that lies below.
///
/// Each in percent of the picture's width or height; the whole is sized to the frame, and where their shapes differ there is more of the
/// room. `seamPx`: how softly the picture ends where it is left open, inwards.
@RecordBuilder
public record Extend(double left, double right, double up, double down, Around around, double seamPx) implements Step, ExtendBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Extend>> PARAMETERS = List.of(
            new Parameter<>(Extend.class, "extend-left", "%", new Parameter.Span(0, 300, 1, 0), (e, t) -> e.left(), (e, t, v) ->
            e.withLeft(v)).keyed(Parameter.Keying.CANVAS),
            new Parameter<>(Extend.class, "extend-right", "%", new Parameter.Span(0, 300, 1, 0), (e, t) -> e.right(), (e, t, v) ->
            e.withRight(v)).keyed(Parameter.Keying.CANVAS),
            new Parameter<>(Extend.class, "extend-up", "%", new Parameter.Span(0, 300, 1, 0), (e, t) -> e.up(), (e, t, v) -> e.withUp(v))
            .keyed(Parameter.Keying.CANVAS),
            new Parameter<>(Extend.class, "extend-down", "%", new Parameter.Span(0, 300, 1, 0), (e, t) -> e.down(), (e, t, v) ->
            e.withDown(v)).keyed(Parameter.Keying.CANVAS),
            new Parameter<>(Extend.class, "extend-seam", "px", new Parameter.Span(0, 400, 1, 0), (e, t) -> e.seamPx(), (e, t, v) ->
            e.withSeamPx(v)).keyed(Parameter.Keying.CANVAS));

    /// What is in the room.
    public enum Around {
        MIRRORED,
        OPEN
    }

    public static final Extend HEADROOM = new Extend(0, 0, 20, 0, Around.MIRRORED, 40);
    private static final double MOST = 300;

    public Extend {
        Check.range("left", left, 0, MOST);
        Check.range("right", right, 0, MOST);
        Check.range("up", up, 0, MOST);
        Check.range("down", down, 0, MOST);
        Check.range("seamPx", seamPx, 0, 400);
    }

    /// What the picture is scaled by.
    public double scale() {
        return 1 / (1 + Math.max(left + right, up + down) / 100);
    }
}
