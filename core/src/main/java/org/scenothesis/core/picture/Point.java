package org.scenothesis.core.picture;

/// A place or a step in the picture plane, in pixels: x right, y down.
public record Point(double x, double y) {
    public static final Point ZERO = new Point(0, 0);

    public double length() {
        return Math.hypot(x, y);
    }

    public Point minus(Point o) {
        return new Point(x - o.x, y - o.y);
    }

    public Point plus(Point o) {
        return new Point(x + o.x, y + o.y);
    }

    public Point times(double k) {
        return new Point(x * k, y * k);
    }
}
