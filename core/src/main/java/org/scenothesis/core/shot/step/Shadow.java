package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// The shadow that a placed layer throws on the ground; density and softness are factors of what the stage's light says.
@RecordBuilder
public record Shadow(double density, double softness, Map<String, Animated<Double>> keyed) implements Step, Keyable, ShadowBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Shadow>> PARAMETERS = List.of(
            new Parameter<>(Shadow.class, "shadow-density", "\u00d7", new Parameter.Span(0, 3, 0.05, 2), (s, t) -> s.density(),
            (s, t, v) -> s.withDensity(v)),
            new Parameter<>(Shadow.class, "shadow-softness", "\u00d7", new Parameter.Span(0, 5, 0.05, 2), (s, t) -> s.softness(),
            (s, t, v) -> s.withSoftness(v)));
    public static final Shadow OF_STAGE = new Shadow(1, 1);

    public Shadow {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("density", density, 0, 3);
        Check.range("softness", softness, 0, 5);
    }

    /// Without keys by code.
    public Shadow(double density, double softness) {
        this(density, softness, Map.of());
    }

    @Override
    public Shadow withKeyed(Map<String, Animated<Double>> other) {
        return new Shadow(density, softness, other);
    }
}
