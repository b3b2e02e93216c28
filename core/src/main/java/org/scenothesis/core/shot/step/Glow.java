package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Light along the layer's edge in a linear colour, fading to both sides; `radiusPx` is how far, as the deviation of a Gaussian.
@RecordBuilder
public record Glow(double radiusPx, Animated<Double> amount, double r, double g, double b) implements Step, GlowBuilder.With {
    public static final Glow WARM = new Glow(14, Animated.of(0.6), 1, 0.7, 0.35);

    public Glow {
        Check.range("radiusPx", radiusPx, 0.5, 400);
        Check.range("amount", amount.still(), 0, 20);
        amount.keys().forEach(k -> Check.range("amount", k.value(), 0, 20));
        Check.range("r", r, 0, 4);
        Check.range("g", g, 0, 4);
        Check.range("b", b, 0, 4);
    }

    @Override
    public Step animate(Animated.Change change) {
        return withAmount(change.of(amount, Animated::number));
    }
}
