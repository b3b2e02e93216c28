package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Grain put on by hand: `amount` is its deviation at middle grey in percent of that grey, `sizePx` how wide a grain is.
@RecordBuilder
public record Grain(double amount, double sizePx, Map<String, Animated<Double>> keyed) implements Step, Keyable, GrainBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Grain>> PARAMETERS = List.of(
            new Parameter<>(Grain.class, "grain-amount", "%", new Parameter.Span(0, 50, 0.5, 1), (g, t) -> g.amount(), (g, t, v) ->
            g.withAmount(v)),
            new Parameter<>(Grain.class, "grain-size", "px", new Parameter.Span(0.5, 12, 0.1, 1), (g, t) -> g.sizePx(), (g, t, v) ->
            g.withSizePx(v)));
    public static final Grain FINE = new Grain(4, 1);

    public Grain {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("amount", amount, 0, 50);
        Check.range("sizePx", sizePx, 0.5, 12);
    }

    /// Without keys by code.
    public Grain(double amount, double sizePx) {
        this(amount, sizePx, Map.of());
    }

    @Override
    public Grain withKeyed(Map<String, Animated<Double>> other) {
        return new Grain(amount, sizePx, other);
    }
}
