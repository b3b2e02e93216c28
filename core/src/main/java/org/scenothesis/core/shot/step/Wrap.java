package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// The light of what lies below wraps around the layer's edge: that, blurred by `radiusPx`, shines in as far, by `amount`.
@RecordBuilder
public record Wrap(double radiusPx, double amount, Map<String, Animated<Double>> keyed) implements Step, Keyable, WrapBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Wrap>> PARAMETERS = List.of(
            new Parameter<>(Wrap.class, "wrap-radius", "px", new Parameter.Span(0.5, 200, 0.5, 1), (w, t) -> w.radiusPx(), (w, t, v) ->
            w.withRadiusPx(v)),
            new Parameter<>(Wrap.class, "wrap-amount", "", new Parameter.Span(0, 1, 0.02, 2), (w, t) -> w.amount(), (w, t, v) ->
            w.withAmount(v)));
    public static final Wrap LITTLE = new Wrap(6, 0.3);

    public Wrap {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("radiusPx", radiusPx, 0.5, 200);
        Check.range("amount", amount, 0, 1);
    }

    /// Without keys by code.
    public Wrap(double radiusPx, double amount) {
        this(radiusPx, amount, Map.of());
    }

    @Override
    public Wrap withKeyed(Map<String, Animated<Double>> other) {
        return new Wrap(radiusPx, amount, other);
    }
}
