package org.scenothesis.core.optics;

/// A place or direction in the world, metres.
public record Vec(double x, double y, double z) {
    public static final Vec ZERO = new Vec(0, 0, 0);
    public static final Vec UP = new Vec(0, 1, 0);

    /// Component by component.
    public Vec plus(Vec o) {
        return new Vec(x + o.x, y + o.y, z + o.z);
    }

    /// Component by component.
    public Vec minus(Vec o) {
        return new Vec(x - o.x, y - o.y, z - o.z);
    }

    /// Each component times a number.
    public Vec times(double k) {
        return new Vec(x * k, y * k, z * k);
    }

    /// The scalar product.
    public double dot(Vec o) {
        return x * o.x + y * o.y + z * o.z;
    }

    /// The vector product, right-handed.
    public Vec cross(Vec o) {
        return new Vec(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
    }

    /// Euclidean, in metres.
    public double length() {
        return Math.sqrt(dot(this));
    }

    /// The same direction with length 1; not a number in each component for a vector without length.
    public Vec unit() {
        return times(1 / length());
    }

    /// The point a share `t` of the way to `o`.
    public Vec towards(Vec o, double t) {
        return plus(o.minus(this).times(t));
    }
}
