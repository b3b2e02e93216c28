package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// Two balls and the cone that joins them: limbs, rods, strands. Source of the meeting: quadric of the cone side, then the balls.
public record RoundCone(Vec from, Vec to, double fromRadius, double toRadius, Material material, int owner) implements Solid {
    @Override
    public double[] bounds() {
        return new double[] {
            Math.min(from.x() - fromRadius, to.x() - toRadius),
            Math.min(from.y() - fromRadius, to.y() - toRadius),
            Math.min(from.z() - fromRadius, to.z() - toRadius),
            Math.max(from.x() + fromRadius, to.x() + toRadius),
            Math.max(from.y() + fromRadius, to.y() + toRadius),
            Math.max(from.z() + fromRadius, to.z() + toRadius)
        };
    }

    @Override
    public void hit(Ray ray) {
        double bax = to.x() - from.x();
        double bay = to.y() - from.y();
        double baz = to.z() - from.z();
        double oax = ray.ox - from.x();
        double oay = ray.oy - from.y();
        double oaz = ray.oz - from.z();
        double obx = ray.ox - to.x();
        double oby = ray.oy - to.y();
        double obz = ray.oz - to.z();
        double rr = fromRadius - toRadius;
        double m0 = bax * bax + bay * bay + baz * baz;
        double m1 = bax * oax + bay * oay + baz * oaz;
        double m2 = bax * ray.dx + bay * ray.dy + baz * ray.dz;
        double m3 = ray.dx * oax + ray.dy * oay + ray.dz * oaz;
        double m5 = oax * oax + oay * oay + oaz * oaz;
        double m6 = obx * ray.dx + oby * ray.dy + obz * ray.dz;
        double m7 = obx * obx + oby * oby + obz * obz;
        double d2 = m0 - rr * rr;
        double k2 = d2 - m2 * m2;
        double k1 = d2 * m3 - m1 * m2 + m2 * rr * fromRadius;
        double k0 = d2 * m5 - m1 * m1 + m1 * rr * fromRadius * 2 - m0 * fromRadius * fromRadius;
        double h = k1 * k1 - k0 * k2;
        if (h < 0) {
            return;
        }
        double t = (-Math.sqrt(h) - k1) / k2;
        double y = m1 - fromRadius * rr + t * m2;
        if (y > 0 && y < d2 && t > NEAR) {
            side(ray, t, y, new double[] {d2, rr, bax, bay, baz, oax, oay, oaz});
            return;
        }
        double h1 = m3 * m3 - m5 + fromRadius * fromRadius;
        double h2 = m6 * m6 - m7 + toRadius * toRadius;
        if (h1 > 0) {
            ball(ray, -m3 - Math.sqrt(h1), from, fromRadius);
        }
        if (h2 > 0) {
            ball(ray, -m6 - Math.sqrt(h2), to, toRadius);
        }
    }

    private void side(Ray ray, double t, double y, double[] k) {
        if (t >= ray.far) {
            return;
        }
        double nx = k[0] * (k[5] + t * ray.dx) - k[2] * y;
        double ny = k[0] * (k[6] + t * ray.dy) - k[3] * y;
        double nz = k[0] * (k[7] + t * ray.dz) - k[4] * y;
        double len = Math.sqrt(nx * nx + ny * ny + nz * nz);
        ray.meet(this, t, nx / len, ny / len, nz / len);
        surface(ray, t);
    }

    private void ball(Ray ray, double t, Vec centre, double radius) {
        if (t < NEAR || t >= ray.far) {
            return;
        }
        ray.meet(
                this,
                t,
                (ray.ox + t * ray.dx - centre.x()) / radius,
                (ray.oy + t * ray.dy - centre.y()) / radius,
                (ray.oz + t * ray.dz - centre.z()) / radius);
        surface(ray, t);
    }

    private void surface(Ray ray, double t) {
        ray.u = ray.ox + t * ray.dx + ray.oz + t * ray.dz;
        ray.v = ray.oy + t * ray.dy;
    }
}
