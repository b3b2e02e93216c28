package org.scenothesis.core.perspective;

/// A number with its standard deviation, both in the unit of the number.
public record Estimate(double value, double std) {
    /// One that is known exactly.
    public static Estimate exact(double value) {
        return new Estimate(value, 0);
    }

    /// The deviation as a share of the number.
    public double share() {
        return std / Math.abs(value);
    }
}
