package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Keyed by what differs from a plate without it: nothing below `low`, all above `high`, of the largest difference of a channel's sRGB code
/// values from 0 to 1.
///
/// Noise, shadows and whatever else changed differ as well; it is a rough key for what was not filmed on a cloth.
@RecordBuilder
public record Difference(String plate, double low, double high, Map<String, Animated<Double>> keyed) implements Step, Keyable,
        DifferenceBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Difference>> PARAMETERS = List.of(
            new Parameter<>(Difference.class, "difference-low", "", new Parameter.Span(0, 1, 0.005, 3), (d, t) -> d.low(), (d, t, v) ->
            d.withLow(v)),
            new Parameter<>(Difference.class, "difference-high", "", new Parameter.Span(0, 1, 0.005, 3), (d, t) -> d.high(), (d, t, v) ->
            d.withHigh(v)));

    public Difference {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("low", low, 0, 1);
        Check.range("high", high, 0, 1);
    }

    /// Without keys by code.
    public Difference(String plate, double low, double high) {
        this(plate, low, high, Map.of());
    }

    @Override
    public Difference withKeyed(Map<String, Animated<Double>> other) {
        return new Difference(plate, low, high, other);
    }

    /// As it is put in: above the noise of most cameras.
    public static Difference from(String plate) {
        return new Difference(plate, 0.05, 0.15);
    }
}
