package org.scenothesis.core.rehearsal.trace;

import java.util.List;
import org.scenothesis.core.optics.Vec;

/// Follows one camera path: direct light from every lamp at each meeting, a few bounces, ambient light for the rest.
///
/// Source: Kajiya 1986, with next-event estimation; ball lamps sampled by the cone they fill (Shirley & Wang 1996).
/// One per thread.
public final class Tracer {
    private static final int BOUNCES = 2;
    /// Bounced light of one path is cut here, against bright specks.
    private static final double BRIGHTEST = 1.2;

    private final Bvh still;
    private final Bvh moving;
    private final Emitter[] lamps;
    private final Rgb ambient;
    private final Ray ray = new Ray();
    private final Ray probe = new Ray();
    private final double[] out = new double[3];
    // The place being lit and its normal.
    private double px;
    private double py;
    private double pz;
    private double nx;
    private double ny;
    private double nz;
    private boolean bounced;

    /// What the first meeting was: its owner (−1 nothing), distance along the ray and place.
    public int owner;
    public double distance;
    /// Whether a moving thing is seen or shades the first meeting.
    public boolean touched;

    /// Traces through what stands still and what moves.
    public Tracer(Bvh still, Bvh moving, List<Emitter> lamps, Rgb ambient) {
        this.still = still;
        this.moving = moving;
        this.lamps = lamps.toArray(Emitter[]::new);
        this.ambient = ambient;
    }

    /// Radiance arriving along the ray from `o` in unit direction `d`; the array is reused.
    public double[] radiance(Vec o, Vec d, Sampler s) {
        out[0] = 0;
        out[1] = 0;
        out[2] = 0;
        owner = -1;
        distance = 1e30;
        touched = false;
        double tr = 1;
        double tg = 1;
        double tb = 1;
        ray.aim(o.x(), o.y(), o.z(), d.x(), d.y(), d.z());
        boolean mirrored = true;
        for (int bounce = 0; bounce <= BOUNCES; bounce++) {
            still.trace(ray);
            Solid before = ray.met;
            moving.trace(ray);
            if (bounce == 0 && ray.met != before) {
                touched = true;
            }
            Solid met = ray.met;
            if (bounce == 0 && met != null) {
                owner = met.owner();
                distance = ray.far;
            }
            if (met == null) {
                add(tr * ambient.r(), tg * ambient.g(), tb * ambient.b());
                break;
            }
            Material m = met.material();
            if (ray.nx * ray.dx + ray.ny * ray.dy + ray.nz * ray.dz > 0) {
                ray.nx = -ray.nx;
                ray.ny = -ray.ny;
                ray.nz = -ray.nz;
            }
            px = ray.ox + ray.far * ray.dx + ray.nx * 1e-5;
            py = ray.oy + ray.far * ray.dy + ray.ny * 1e-5;
            pz = ray.oz + ray.far * ray.dz + ray.nz * 1e-5;
            double share = m.pattern().share(ray.u, ray.v, m.scale());
            double ar = m.albedo().r() + (m.second().r() - m.albedo().r()) * share;
            double ag = m.albedo().g() + (m.second().g() - m.albedo().g()) * share;
            double ab = m.albedo().b() + (m.second().b() - m.albedo().b()) * share;
            if (mirrored) {
                double glow = 1 - 0.75 * share * (m.pattern() == Pattern.RIBS ? 1 : 0);
                double rim = m.pattern() == Pattern.RIBS
                        ? 0.45 + 0.55 * Math.abs(ray.nx * ray.dx + ray.ny * ray.dy + ray.nz * ray.dz)
                        : 1;
                add(tr * m.emission().r() * glow * rim, tg * m.emission().g() * glow * rim, tb * m.emission().b() * glow * rim);
            }
            double u0 = s.next();
            double cos = -(ray.nx * ray.dx + ray.ny * ray.dy + ray.nz * ray.dz);
            double fresnel = m.gloss() > 0 ? m.gloss() + (1 - m.gloss()) * Math.pow(1 - Math.min(1, cos), 5) * (1 - 0.7 * m.roughness())
                    : 0;
            if (u0 < fresnel) {
                mirror(s, m.roughness());
                mirrored = true;
                continue;
            }
            tr *= ar;
            tg *= ag;
            tb *= ab;
            nx = ray.nx;
            ny = ray.ny;
            nz = ray.nz;
            bounced = bounce > 0;
            if (bounce == 0) {
                for (Emitter lamp : lamps) {
                    direct(lamp, s, tr, tg, tb);
                }
            } else if (lamps.length > 0) {
                // One lamp by chance, weighted back, is enough for light that has bounced.
                int n = lamps.length;
                int chosen = Math.min(n - 1, (int) (s.next() * n));
                direct(lamps[chosen], s, tr * n, tg * n, tb * n);
            }
            if (bounce == BOUNCES) {
                add(tr * ambient.r(), tg * ambient.g(), tb * ambient.b());
                break;
            }
            cosine(s);
            mirrored = false;
        }
        return out;
    }

    /// Whether the first thing met along the ray from `o` in unit direction `d` is one that moves.
    public boolean sees(Vec o, Vec d) {
        ray.aim(o.x(), o.y(), o.z(), d.x(), d.y(), d.z());
        moving.trace(ray);
        if (ray.met == null) {
            return false;
        }
        Solid first = ray.met;
        still.trace(ray);
        return ray.met == first;
    }

    private void add(double r, double g, double b) {
        out[0] += r;
        out[1] += g;
        out[2] += b;
    }

    private void mirror(Sampler s, double rough) {
        double k = 2 * (ray.nx * ray.dx + ray.ny * ray.dy + ray.nz * ray.dz);
        double a = rough * rough * 0.8;
        double x = ray.dx - k * ray.nx + a * (2 * s.next() - 1);
        double y = ray.dy - k * ray.ny + a * (2 * s.next() - 1);
        double z = ray.dz - k * ray.nz + a * (2 * s.next() - 1);
        double above = x * ray.nx + y * ray.ny + z * ray.nz;
        if (above < 0.02) {
            x += (0.02 - above) * ray.nx;
            y += (0.02 - above) * ray.ny;
            z += (0.02 - above) * ray.nz;
        }
        double len = Math.sqrt(x * x + y * y + z * z);
        ray.aim(px, py, pz, x / len, y / len, z / len);
    }

    private void cosine(Sampler s) {
        double phi = 2 * Math.PI * s.next();
        double h = 2 * s.next() - 1;
        double w = Math.sqrt(Math.max(0, 1 - h * h));
        double x = nx + w * Math.cos(phi);
        double y = ny + w * Math.sin(phi);
        double z = nz + h;
        double len = Math.sqrt(x * x + y * y + z * z);
        if (len < 1e-6) {
            ray.aim(px, py, pz, nx, ny, nz);
        } else {
            ray.aim(px, py, pz, x / len, y / len, z / len);
        }
    }

    private void direct(Emitter lamp, Sampler s, double tr, double tg, double tb) {
        double u = s.next();
        double v = s.next();
        if (lamp instanceof Emitter.Ball b) {
            ball(b, u, v, tr, tg, tb);
        } else if (lamp instanceof Emitter.Pane p) {
            pane(p, u, v, tr, tg, tb);
        } else if (lamp instanceof Emitter.Sun sun && sun.towards().x() * nx + sun.towards().y() * ny + sun.towards().z() * nz > 0) {
            Vec t = sun.towards();
            probeCone(t.x(), t.y(), t.z(), 1 - u * (1 - Math.cos(sun.angularRadius())), v);
            double cos = probe.dx * nx + probe.dy * ny + probe.dz * nz;
            if (cos > 0) {
                probe.far = 100;
                shine(sun.light(), cos / Math.PI, tr, tg, tb);
            }
        }
    }

    private void ball(Emitter.Ball b, double u, double v, double tr, double tg, double tb) {
        double cx = b.centre().x() - px;
        double cy = b.centre().y() - py;
        double cz = b.centre().z() - pz;
        double d2 = cx * cx + cy * cy + cz * cz;
        double sin2 = b.radius() * b.radius() / d2;
        if (sin2 >= 1) {
            return;
        }
        double cosMax = Math.sqrt(1 - sin2);
        double d = Math.sqrt(d2);
        probeCone(cx / d, cy / d, cz / d, 1 - u * (1 - cosMax), v);
        double cos = probe.dx * nx + probe.dy * ny + probe.dz * nz;
        if (cos > 0) {
            probe.far = d - b.radius();
            probe.ignoredOwner = b.owner();
            shine(b.light(), cos * 2 * (1 - cosMax), tr, tg, tb);
        }
    }

    private void pane(Emitter.Pane p, double u, double v, double tr, double tg, double tb) {
        double x = p.corner().x() + u * p.edgeU().x() + v * p.edgeV().x() - px;
        double y = p.corner().y() + u * p.edgeU().y() + v * p.edgeV().y() - py;
        double z = p.corner().z() + u * p.edgeU().z() + v * p.edgeV().z() - pz;
        double d2 = x * x + y * y + z * z;
        double d = Math.sqrt(d2);
        Vec n = p.edgeU().cross(p.edgeV());
        double cosLamp = -(x * n.x() + y * n.y() + z * n.z()) / d;
        double cos = (x * nx + y * ny + z * nz) / d;
        if (cos > 0 && cosLamp > 0) {
            probe.aim(px, py, pz, x / d, y / d, z / d);
            probe.far = d - 1e-4;
            shine(p.light(), cos * (p.power() == 1 ? cosLamp : beam(cosLamp, n.length(), p.power())) / (d2 * Math.PI), tr, tg, tb);
        }
    }

    /// The cosine times the lamp's area, falling faster.
    private static double beam(double cosArea, double area, double power) {
        return area * Math.pow(cosArea / area, power);
    }

    private void probeCone(double ax, double ay, double az, double cos, double v) {
        double sin = Math.sqrt(Math.max(0, 1 - cos * cos));
        double phi = 2 * Math.PI * v;
        // Orthonormal frame after Duff et al. 2017.
        double sign = az >= 0 ? 1 : -1;
        double a = -1 / (sign + az);
        double b = ax * ay * a;
        double x1 = 1 + sign * ax * ax * a;
        double y1 = sign * b;
        double z1 = -sign * ax;
        double x2 = b;
        double y2 = sign + ay * ay * a;
        double z2 = -ay;
        double c1 = sin * Math.cos(phi);
        double c2 = sin * Math.sin(phi);
        probe.aim(
                px, py, pz,
                cos * ax + c1 * x1 + c2 * x2,
                cos * ay + c1 * y1 + c2 * y2,
                cos * az + c1 * z1 + c2 * z2);
    }

    private void shine(Rgb light, double factor, double tr, double tg, double tb) {
        probe.shadow = true;
        probe.met = null;
        if (still.blocked(probe)) {
            return;
        }
        if (moving.blocked(probe)) {
            touched |= !bounced;
            return;
        }
        double most = Math.max(tr * light.r(), Math.max(tg * light.g(), tb * light.b())) * factor;
        double k = bounced && most > BRIGHTEST ? factor * BRIGHTEST / most : factor;
        add(tr * light.r() * k, tg * light.g() * k, tb * light.b() * k);
    }
}
