package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// Keyed by brightness: nothing below `low`, all above `high`, of the luma in sRGB code values from 0 to 1. With `low` above `high` the dark is kept.
@RecordBuilder
public record Luma(double low, double high) implements Step, LumaBuilder.With {
    public static final Luma LIGHT = new Luma(0.2, 0.5);

    public Luma {
        Check.range("low", low, 0, 1);
        Check.range("high", high, 0, 1);
    }
}
