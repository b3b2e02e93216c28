package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Brightens or darkens; `matched`: exposure and colour are first brought to the base's by the lock check's measure.
@RecordBuilder
public record Exposure(double gainStops, boolean matched, Map<String, Animated<Double>> keyed) implements Step, Keyable,
        ExposureBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Exposure>> PARAMETERS = List.of(
            new Parameter<>(Exposure.class, "gain", "stop", new Parameter.Span(-8, 8, 0.05, 2), (g, t) -> g.gainStops(), (g, t, v) ->
            g.withGainStops(v)));
    public static final Exposure NONE = new Exposure(0, false);

    public Exposure {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("gainStops", gainStops, -8, 8);
    }

    /// Without keys by code.
    public Exposure(double gainStops, boolean matched) {
        this(gainStops, matched, Map.of());
    }

    @Override
    public Exposure withKeyed(Map<String, Animated<Double>> other) {
        return new Exposure(gainStops, matched, other);
    }
}
