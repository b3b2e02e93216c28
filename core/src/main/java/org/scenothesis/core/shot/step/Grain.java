package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// Grain put on by hand: `amount` is its deviation at middle grey in percent of that grey, `sizePx` how wide a grain is.
@RecordBuilder
public record Grain(double amount, double sizePx) implements Step, GrainBuilder.With {
    public static final Grain FINE = new Grain(4, 1);

    public Grain {
        Check.range("amount", amount, 0, 50);
        Check.range("sizePx", sizePx, 0.5, 12);
    }
}
