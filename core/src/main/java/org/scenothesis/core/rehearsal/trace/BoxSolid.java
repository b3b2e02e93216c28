package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// A box turned about the vertical axis by `turn` radians; surface coordinates in metres on each face.
public record BoxSolid(Vec centre, Vec half, double turn, Material material, int owner) implements Solid {
    /// An upright box between two corners, in metres.
    public static BoxSolid between(Vec low, Vec high, Material material, int owner) {
        return new BoxSolid(low.towards(high, 0.5), high.minus(low).times(0.5), 0, material, owner);
    }

    @Override
    public double[] bounds() {
        double c = Math.abs(Math.cos(turn));
        double s = Math.abs(Math.sin(turn));
        double hx = half.x() * c + half.z() * s;
        double hz = half.x() * s + half.z() * c;
        return new double[] {
            centre.x() - hx, centre.y() - half.y(), centre.z() - hz, centre.x() + hx, centre.y() + half.y(), centre.z() + hz
        };
    }

    @Override
    public void hit(Ray ray) {
        double c = turn == 0 ? 1 : Math.cos(turn);
        double s = turn == 0 ? 0 : Math.sin(turn);
        double px = ray.ox - centre.x();
        double pz = ray.oz - centre.z();
        double ox = c * px + s * pz;
        double oy = ray.oy - centre.y();
        double oz = -s * px + c * pz;
        double dx = apart(c * ray.dx + s * ray.dz);
        double dz = apart(-s * ray.dx + c * ray.dz);
        double dy = apart(ray.dy);
        double ax = -ox / dx;
        double ay = -oy / dy;
        double az = -oz / dz;
        double bx = Math.abs(half.x() / dx);
        double by = Math.abs(half.y() / dy);
        double bz = Math.abs(half.z() / dz);
        double in = Math.max(Math.max(ax - bx, ay - by), az - bz);
        double out = Math.min(Math.min(ax + bx, ay + by), az + bz);
        if (!(in < out)) {
            return;
        }
        boolean inside = in < NEAR;
        double t = inside ? out : in;
        if (t < NEAR || t >= ray.far) {
            return;
        }
        double hx = ox + t * dx;
        double hy = oy + t * dy;
        double hz = oz + t * dz;
        double rx = Math.abs(hx) / half.x();
        double ry = Math.abs(hy) / half.y();
        double rz = Math.abs(hz) / half.z();
        if (rx >= ry && rx >= rz) {
            double sign = Math.signum(hx);
            ray.meet(this, t, c * sign, 0, s * sign);
            ray.u = hz;
            ray.v = hy + centre.y();
        } else if (ry >= rz) {
            ray.meet(this, t, 0, Math.signum(hy), 0);
            ray.u = hx;
            ray.v = hz;
        } else {
            double sign = Math.signum(hz);
            ray.meet(this, t, -s * sign, 0, c * sign);
            ray.u = hx;
            ray.v = hy + centre.y();
        }
    }

    // A ray along a face would divide nothing by nothing.
    private static double apart(double d) {
        return d == 0 ? 1e-30 : d;
    }
}
