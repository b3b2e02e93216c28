package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// An ellipsoid with axes along the world, tilted about Z by `tilt` radians; v runs from 0 (bottom) to 1 (top).
public record Ellipsoid(Vec centre, Vec radii, double tilt, Material material, int owner) implements Solid {
    @Override
    public double[] bounds() {
        double c = Math.abs(Math.cos(tilt));
        double s = Math.abs(Math.sin(tilt));
        double hx = radii.x() * c + radii.y() * s;
        double hy = radii.x() * s + radii.y() * c;
        return new double[] {
            centre.x() - hx, centre.y() - hy, centre.z() - radii.z(), centre.x() + hx, centre.y() + hy, centre.z() + radii.z()
        };
    }

    @Override
    public void hit(Ray ray) {
        double c = tilt == 0 ? 1 : Math.cos(tilt);
        double s = tilt == 0 ? 0 : Math.sin(tilt);
        double px = ray.ox - centre.x();
        double py = ray.oy - centre.y();
        double ox = (c * px + s * py) / radii.x();
        double oy = (-s * px + c * py) / radii.y();
        double oz = (ray.oz - centre.z()) / radii.z();
        double dx = (c * ray.dx + s * ray.dy) / radii.x();
        double dy = (-s * ray.dx + c * ray.dy) / radii.y();
        double dz = ray.dz / radii.z();
        double a = dx * dx + dy * dy + dz * dz;
        double b = ox * dx + oy * dy + oz * dz;
        double k = ox * ox + oy * oy + oz * oz - 1;
        double disc = b * b - a * k;
        if (disc < 0) {
            return;
        }
        double root = Math.sqrt(disc);
        double t = (-b - root) / a;
        if (t < NEAR) {
            t = (-b + root) / a;
        }
        if (t < NEAR || t >= ray.far) {
            return;
        }
        double hx = ox + t * dx;
        double hy = oy + t * dy;
        double hz = oz + t * dz;
        double gx = hx / radii.x();
        double gy = hy / radii.y();
        double gz = hz / radii.z();
        double wx = c * gx - s * gy;
        double wy = s * gx + c * gy;
        double len = Math.sqrt(wx * wx + wy * wy + gz * gz);
        ray.meet(this, t, wx / len, wy / len, gz / len);
        ray.u = Math.atan2(hz, hx) / Math.PI;
        ray.v = 0.5 + 0.5 * hy;
    }
}
