package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;

/// Keyed by brightness: nothing below `low`, all above `high`, of the luma in sRGB code values from 0 to 1. With `low` above `high` the dark is kept.
@RecordBuilder
public record Luma(double low, double high) implements Step, LumaBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Luma>> PARAMETERS = List.of(
            new Parameter<>(Luma.class, "luma-low", "", new Parameter.Span(0, 1, 0.01, 2), (l, t) -> l.low(), (l, t, v) -> l.withLow(v)),
            new Parameter<>(Luma.class, "luma-high", "", new Parameter.Span(0, 1, 0.01, 2), (l, t) -> l.high(), (l, t, v) -> l.withHigh(v)));
    public static final Luma LIGHT = new Luma(0.2, 0.5);

    public Luma {
        Check.range("low", low, 0, 1);
        Check.range("high", high, 0, 1);
    }
}
