package org.scenothesis.core.rehearsal.trace;

/// A linear colour or radiance.
public record Rgb(double r, double g, double b) {
    public static final Rgb BLACK = new Rgb(0, 0, 0);

    /// The same in all channels.
    public static Rgb grey(double v) {
        return new Rgb(v, v, v);
    }

    /// Each channel times a number.
    public Rgb times(double k) {
        return new Rgb(r * k, g * k, b * k);
    }

    /// Channel by channel.
    public Rgb times(Rgb o) {
        return new Rgb(r * o.r, g * o.g, b * o.b);
    }

    /// Between the two: this at 0, the other at 1.
    public Rgb towards(Rgb o, double t) {
        return new Rgb(r + (o.r - r) * t, g + (o.g - g) * t, b + (o.b - b) * t);
    }
}
