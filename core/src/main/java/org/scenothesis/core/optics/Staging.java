package org.scenothesis.core.optics;

import org.scenothesis.core.Check;

/// Plain staging arithmetic: eyelines, sizes, overscan.
public final class Staging {
    private Staging() {}

    /// Angle in degrees by which one looks up at a point `riseM` higher and `awayM` away.
    public static double eyelineDeg(double riseM, double awayM) {
        return Math.toDegrees(Math.atan2(riseM, Check.positive("awayM", awayM)));
    }

    /// Height in pixels of something `heightM` tall at `distanceM`.
    public static double sizePx(double heightM, double focalPx, double distanceM) {
        return heightM * focalPx / Check.positive("distanceM", distanceM);
    }

    /// Froude time stretch for a size factor: √k.
    public static double timeFactor(double sizeFactor) {
        return Math.sqrt(Check.positive("sizeFactor", sizeFactor));
    }

    /// A wobble: shift amplitudes in pixels and roll in degrees.
    public record Wobble(double xPx, double yPx, double rollDeg) {}

    /// Smallest scale about the centre at which a frame shifted and turned by any extreme shows no edge.
    ///
    /// The frame corner, seen from the moved picture, must lie inside it for every combination of signs.
    public static double overscan(int width, int height, Wobble w) {
        double cos = Math.cos(Math.toRadians(w.rollDeg));
        double sin = Math.abs(Math.sin(Math.toRadians(w.rollDeg)));
        double x = (width / 2.0 + w.xPx) * cos + (height / 2.0 + w.yPx) * sin;
        double y = (width / 2.0 + w.xPx) * sin + (height / 2.0 + w.yPx) * cos;
        return Math.max(x / (width / 2.0), y / (height / 2.0));
    }
}
