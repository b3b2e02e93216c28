package org.scenothesis.core.rehearsal.trace;

/// An ellipsoid with its tilt worked out.
final class ReadyEllipsoid extends Ready {
    private final double cx;
    private final double cy;
    private final double cz;
    private final double rx;
    private final double ry;
    private final double rz;
    private final double c;
    private final double s;

    ReadyEllipsoid(Ellipsoid ellipsoid) {
        super(ellipsoid);
        cx = ellipsoid.centre().x();
        cy = ellipsoid.centre().y();
        cz = ellipsoid.centre().z();
        rx = ellipsoid.radii().x();
        ry = ellipsoid.radii().y();
        rz = ellipsoid.radii().z();
        c = ellipsoid.tilt() == 0 ? 1 : Math.cos(ellipsoid.tilt());
        s = ellipsoid.tilt() == 0 ? 0 : Math.sin(ellipsoid.tilt());
    }

    @Override
    void hit(Ray ray) {
        double px = ray.ox - cx;
        double py = ray.oy - cy;
        double ox = (c * px + s * py) / rx;
        double oy = (-s * px + c * py) / ry;
        double oz = (ray.oz - cz) / rz;
        double dx = (c * ray.dx + s * ray.dy) / rx;
        double dy = (-s * ray.dx + c * ray.dy) / ry;
        double dz = ray.dz / rz;
        double a = dx * dx + dy * dy + dz * dz;
        double b = ox * dx + oy * dy + oz * dz;
        double k = ox * ox + oy * oy + oz * oz - 1;
        double disc = b * b - a * k;
        if (disc < 0) {
            return;
        }
        double root = Math.sqrt(disc);
        double t = (-b - root) / a;
        if (t < Solid.NEAR) {
            t = (-b + root) / a;
        }
        if (t < Solid.NEAR || t >= ray.far) {
            return;
        }
        double hx = ox + t * dx;
        double hy = oy + t * dy;
        double hz = oz + t * dz;
        double gx = hx / rx;
        double gy = hy / ry;
        double gz = hz / rz;
        double wx = c * gx - s * gy;
        double wy = s * gx + c * gy;
        double len = Math.sqrt(wx * wx + wy * wy + gz * gz);
        ray.meet(solid, t, wx / len, wy / len, gz / len);
        if (!ray.shadow && solid.material().pattern() != Pattern.PLAIN) {
            ray.u = Math.atan2(hz, hx) / Math.PI;
        }
        ray.v = 0.5 + 0.5 * hy;
    }
}
