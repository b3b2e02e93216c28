package org.scenothesis.core.finding;

import org.scenothesis.core.Check;

/// Up to `holds` it is good, up to `watch` it can be corrected, beyond it must be redone. `least`: the other way round, so much is asked
/// for.
public record Limit(double holds, double watch, boolean least) {
    private static final double ROUND = 1e-9;
    public static final Limit NONE = new Limit(0, 0);

    public Limit {
        Check.range("holds", holds, 0, 1e9);
        Check.range("watch", watch, least ? 0 : holds, least ? holds : 1e9);
    }

    /// The most that is allowed.
    public Limit(double holds, double watch) {
        this(holds, watch, false);
    }

    /// The least that is asked for: from `holds` on it is good, from `watch` on it can be corrected.
    public static Limit least(double holds, double watch) {
        return new Limit(holds, watch, true);
    }

    /// Verdict on the size of a value, sign ignored; on the value itself where so much is asked for. NaN is not measured.
    public Verdict judge(double value) {
        if (Double.isNaN(value)) {
            return Verdict.NOT_MEASURED;
        }
        if (least) {
            // A cloth cut to its margin has it, whatever the last bit says.
            return value >= holds - ROUND ? Verdict.HOLDS : value >= watch - ROUND ? Verdict.WATCH : Verdict.REDO;
        }
        double v = Math.abs(value);
        return v <= holds ? Verdict.HOLDS : v <= watch ? Verdict.WATCH : Verdict.REDO;
    }
}
