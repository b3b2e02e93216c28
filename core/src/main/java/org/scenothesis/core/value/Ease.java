package org.scenothesis.core.value;

/// How a value goes from one keyframe to the next.
public enum Ease {
    HOLD,
    STEADY,
    SOFT;

    /// How far between two keys, 0 to 1, at a share of the way in time, which is held within 0 and 1.
    public double at(double t) {
        double v = Math.clamp(t, 0, 1);
        return switch (this) {
            case HOLD -> v < 1 ? 0 : 1;
            case STEADY -> v;
            case SOFT -> v * v * v * (v * (v * 6 - 15) + 10);
        };
    }
}
