package org.scenothesis.core.finding;

import org.scenothesis.core.Check;

/// Up to `holds` it is good, up to `watch` it can be corrected, beyond it must be redone.
public record Limit(double holds, double watch) {
    public static final Limit NONE = new Limit(0, 0);

    public Limit {
        Check.range("holds", holds, 0, 1e9);
        Check.range("watch", watch, holds, 1e9);
    }

    /// Verdict on the size of a value, sign ignored; NaN is not measured.
    public Verdict judge(double value) {
        double v = Math.abs(value);
        if (Double.isNaN(v)) {
            return Verdict.NOT_MEASURED;
        }
        return v <= holds ? Verdict.HOLDS : v <= watch ? Verdict.WATCH : Verdict.REDO;
    }
}
