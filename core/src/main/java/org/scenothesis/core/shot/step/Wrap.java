package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// The light of what lies below wraps around the layer's edge: that, blurred by `radiusPx`, shines in as far, by `amount`.
@RecordBuilder
public record Wrap(double radiusPx, double amount) implements Step, WrapBuilder.With {
    public static final Wrap LITTLE = new Wrap(6, 0.3);

    public Wrap {
        Check.range("radiusPx", radiusPx, 0.5, 200);
        Check.range("amount", amount, 0, 1);
    }
}
