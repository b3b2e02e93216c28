package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Light along the layer's edge in a linear colour, fading to both sides; `radiusPx` is how far, as the deviation of a Gaussian.
@RecordBuilder
public record Glow(double radiusPx, Animated<Double> amount, double r, double g, double b, Map<String, Animated<Double>> keyed)
        implements Step, Keyable, GlowBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Glow>> PARAMETERS = List.of(
            new Parameter<>(Glow.class, "glow-radius", "px", new Parameter.Span(0.5, 400, 0.5, 1), (g, t) -> g.radiusPx(), (g, t, v) ->
            g.withRadiusPx(v)),
            new Parameter<>(Glow.class, "glow-amount", "", new Parameter.Span(0, 20, 0.05, 2), (g, t) -> g.amount()
            .at(t, Animated::number), (g, t, v) -> g.withAmount(g.amount().set(t, v))).keyed(Parameter.Keying.OWN),
            new Parameter<>(Glow.class, "glow-red", "", new Parameter.Span(0, 4, 0.02, 2), (g, t) -> g.r(), (g, t, v) -> g.withR(v)),
            new Parameter<>(Glow.class, "glow-green", "", new Parameter.Span(0, 4, 0.02, 2), (g, t) -> g.g(), (g, t, v) -> g.withG(v)),
            new Parameter<>(Glow.class, "glow-blue", "", new Parameter.Span(0, 4, 0.02, 2), (g, t) -> g.b(), (g, t, v) -> g.withB(v)));
    public static final Glow WARM = new Glow(14, Animated.of(0.6), 1, 0.7, 0.35);

    public Glow {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("radiusPx", radiusPx, 0.5, 400);
        Check.range("amount", amount.still(), 0, 20);
        amount.keys().forEach(k -> Check.range("amount", k.value(), 0, 20));
        Check.range("r", r, 0, 4);
        Check.range("g", g, 0, 4);
        Check.range("b", b, 0, 4);
    }

    /// Without keys by code.
    public Glow(double radiusPx, Animated<Double> amount, double r, double g, double b) {
        this(radiusPx, amount, r, g, b, Map.of());
    }

    @Override
    public Glow withKeyed(Map<String, Animated<Double>> other) {
        return new Glow(radiusPx, amount, r, g, b, other);
    }

    @Override
    public Step animate(Animated.Change change) {
        return withAmount(change.of(amount, Animated::number));
    }
}
