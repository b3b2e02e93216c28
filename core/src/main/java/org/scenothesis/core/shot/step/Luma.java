package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Keyed by brightness: nothing below `low`, all above `high`, of the luma in sRGB code values from 0 to 1. With `low` above `high` the
/// dark is kept.
@RecordBuilder
public record Luma(double low, double high, Map<String, Animated<Double>> keyed) implements Step, Keyable, LumaBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Luma>> PARAMETERS = List.of(
            new Parameter<>(Luma.class, "luma-low", "", new Parameter.Span(0, 1, 0.01, 2), (l, t) -> l.low(), (l, t, v) -> l.withLow(v)),
            new Parameter<>(Luma.class, "luma-high", "", new Parameter.Span(0, 1, 0.01, 2), (l, t) -> l.high(), (l, t, v) ->
            l.withHigh(v)));
    public static final Luma LIGHT = new Luma(0.2, 0.5);

    public Luma {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("low", low, 0, 1);
        Check.range("high", high, 0, 1);
    }

    /// Without keys by code.
    public Luma(double low, double high) {
        this(low, high, Map.of());
    }

    @Override
    public Luma withKeyed(Map<String, Animated<Double>> other) {
        return new Luma(low, high, other);
    }
}
