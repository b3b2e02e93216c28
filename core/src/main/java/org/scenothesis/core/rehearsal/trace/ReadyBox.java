package org.scenothesis.core.rehearsal.trace;

/// A box with its turn worked out.
final class ReadyBox extends Ready {
    private final double cx;
    private final double cy;
    private final double cz;
    private final double hx;
    private final double hy;
    private final double hz;
    private final double c;
    private final double s;

    ReadyBox(BoxSolid box) {
        super(box);
        cx = box.centre().x();
        cy = box.centre().y();
        cz = box.centre().z();
        hx = box.half().x();
        hy = box.half().y();
        hz = box.half().z();
        c = box.turn() == 0 ? 1 : Math.cos(box.turn());
        s = box.turn() == 0 ? 0 : Math.sin(box.turn());
    }

    @Override
    void hit(Ray ray) {
        double px = ray.ox - cx;
        double pz = ray.oz - cz;
        double ox = c * px + s * pz;
        double oy = ray.oy - cy;
        double oz = -s * px + c * pz;
        double dx = apart(c * ray.dx + s * ray.dz);
        double dz = apart(-s * ray.dx + c * ray.dz);
        double dy = apart(ray.dy);
        double ax = -ox / dx;
        double ay = -oy / dy;
        double az = -oz / dz;
        double bx = Math.abs(hx / dx);
        double by = Math.abs(hy / dy);
        double bz = Math.abs(hz / dz);
        double in = Math.max(Math.max(ax - bx, ay - by), az - bz);
        double out = Math.min(Math.min(ax + bx, ay + by), az + bz);
        if (!(in < out)) {
            return;
        }
        boolean inside = in < Solid.NEAR;
        double t = inside ? out : in;
        if (t < Solid.NEAR || t >= ray.far) {
            return;
        }
        double x = ox + t * dx;
        double y = oy + t * dy;
        double z = oz + t * dz;
        double rx = Math.abs(x) / hx;
        double ry = Math.abs(y) / hy;
        double rz = Math.abs(z) / hz;
        if (rx >= ry && rx >= rz) {
            double sign = Math.signum(x);
            ray.meet(solid, t, c * sign, 0, s * sign);
            ray.u = z;
            ray.v = y + cy;
        } else if (ry >= rz) {
            ray.meet(solid, t, 0, Math.signum(y), 0);
            ray.u = x;
            ray.v = z;
        } else {
            double sign = Math.signum(z);
            ray.meet(solid, t, -s * sign, 0, c * sign);
            ray.u = x;
            ray.v = y + cy;
        }
    }

    // A ray along a face would divide nothing by nothing.
    private static double apart(double d) {
        return d == 0 ? 1e-30 : d;
    }
}
