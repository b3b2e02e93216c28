package org.scenothesis.core.rehearsal.trace;

/// A round cone with all that does not depend on the ray worked out. Source of the meeting: quadric of the cone side, then the balls.
final class ReadyCone extends Ready {
    private final double fx;
    private final double fy;
    private final double fz;
    private final double tx;
    private final double ty;
    private final double tz;
    private final double bax;
    private final double bay;
    private final double baz;
    private final double fromRadius;
    private final double toRadius;
    private final double rr;
    private final double m0;
    private final double d2;

    ReadyCone(RoundCone cone) {
        super(cone);
        fx = cone.from().x();
        fy = cone.from().y();
        fz = cone.from().z();
        tx = cone.to().x();
        ty = cone.to().y();
        tz = cone.to().z();
        bax = tx - fx;
        bay = ty - fy;
        baz = tz - fz;
        fromRadius = cone.fromRadius();
        toRadius = cone.toRadius();
        rr = fromRadius - toRadius;
        m0 = bax * bax + bay * bay + baz * baz;
        d2 = m0 - rr * rr;
    }

    @Override
    void hit(Ray ray) {
        double oax = ray.ox - fx;
        double oay = ray.oy - fy;
        double oaz = ray.oz - fz;
        double obx = ray.ox - tx;
        double oby = ray.oy - ty;
        double obz = ray.oz - tz;
        double m1 = bax * oax + bay * oay + baz * oaz;
        double m2 = bax * ray.dx + bay * ray.dy + baz * ray.dz;
        double m3 = ray.dx * oax + ray.dy * oay + ray.dz * oaz;
        double m5 = oax * oax + oay * oay + oaz * oaz;
        double m6 = obx * ray.dx + oby * ray.dy + obz * ray.dz;
        double m7 = obx * obx + oby * oby + obz * obz;
        double k2 = d2 - m2 * m2;
        double k1 = d2 * m3 - m1 * m2 + m2 * rr * fromRadius;
        double k0 = d2 * m5 - m1 * m1 + m1 * rr * fromRadius * 2 - m0 * fromRadius * fromRadius;
        double h = k1 * k1 - k0 * k2;
        if (h < 0) {
            return;
        }
        double t = (-Math.sqrt(h) - k1) / k2;
        double y = m1 - fromRadius * rr + t * m2;
        if (y > 0 && y < d2 && t > Solid.NEAR) {
            if (t < ray.far) {
                double nx = d2 * (oax + t * ray.dx) - bax * y;
                double ny = d2 * (oay + t * ray.dy) - bay * y;
                double nz = d2 * (oaz + t * ray.dz) - baz * y;
                double len = Math.sqrt(nx * nx + ny * ny + nz * nz);
                ray.meet(solid, t, nx / len, ny / len, nz / len);
                surface(ray, t);
            }
            return;
        }
        double h1 = m3 * m3 - m5 + fromRadius * fromRadius;
        double h2 = m6 * m6 - m7 + toRadius * toRadius;
        if (h1 > 0) {
            ball(ray, -m3 - Math.sqrt(h1), fx, fy, fz, fromRadius);
        }
        if (h2 > 0) {
            ball(ray, -m6 - Math.sqrt(h2), tx, ty, tz, toRadius);
        }
    }

    private void ball(Ray ray, double t, double x, double y, double z, double radius) {
        if (t < Solid.NEAR || t >= ray.far) {
            return;
        }
        ray.meet(
                solid,
                t,
                (ray.ox + t * ray.dx - x) / radius,
                (ray.oy + t * ray.dy - y) / radius,
                (ray.oz + t * ray.dz - z) / radius);
        surface(ray, t);
    }

    private void surface(Ray ray, double t) {
        ray.u = ray.ox + t * ray.dx + ray.oz + t * ray.dz;
        ray.v = ray.oy + t * ray.dy;
    }
}
