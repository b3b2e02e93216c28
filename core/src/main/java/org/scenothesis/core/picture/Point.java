package org.scenothesis.core.picture;

/// A place or a step in the picture plane, in pixels: x right, y down.
public record Point(double x, double y) {
    public static final Point ZERO = new Point(0, 0);

    /// The distance from the origin, in pixels.
    public double length() {
        return Math.hypot(x, y);
    }

    /// Component by component.
    public Point minus(Point o) {
        return new Point(x - o.x, y - o.y);
    }

    /// Component by component.
    public Point plus(Point o) {
        return new Point(x + o.x, y + o.y);
    }

    /// Both components times a number.
    public Point times(double k) {
        return new Point(x * k, y * k);
    }
}
