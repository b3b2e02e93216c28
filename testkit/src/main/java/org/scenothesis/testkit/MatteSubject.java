package org.scenothesis.testkit;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Plane;

/// What stands before the cloth, and how both are lit.
final class MatteSubject {
    private static final double[][] SKIN = {{0.58, 0.36, 0.27}, {0.42, 0.25, 0.17}, {0.25, 0.13, 0.08}, {0.12, 0.06, 0.04}};
    private static final double[][] CLOTHES = {
        {0.30, 0.10, 0.09}, {0.35, 0.33, 0.30}, {0.22, 0.16, 0.08}, {0.15, 0.15, 0.16}, {0.08, 0.10, 0.22}
    };
    private static final double[][] PALE = {{0.80, 0.79, 0.77}, {0.70, 0.66, 0.55}, {0.72, 0.70, 0.78}};
    private static final double[][] DARK = {{0.020, 0.020, 0.022}, {0.035, 0.025, 0.020}, {0.015, 0.018, 0.030}};
    private static final double[][] GREENISH = {{0.20, 0.23, 0.09}, {0.09, 0.14, 0.10}, {0.10, 0.20, 0.19}};
    private static final double[][] BLUISH = {{0.10, 0.12, 0.20}, {0.20, 0.19, 0.28}, {0.10, 0.20, 0.22}};

    private final MatteCase of;
    private final SplittableRandom random;
    private final int w;
    private final int h;
    private final double scale;
    private final double turnX;
    private final double gain;
    private final double phase;
    private final double[] cloth;
    private final double middle;

    MatteSubject(MatteCase of, SplittableRandom random, int w, int h) {
        this.of = of;
        this.random = random;
        this.w = w;
        this.h = h;
        scale = w / 640.0;
        turnX = random.nextDouble(-0.7, 0.7);
        gain = of.kind() == MatteCase.Kind.SPILL ? 1.3 : of.kind() == MatteCase.Kind.DIM ? 0.5 : random.nextDouble(0.25, 0.6);
        phase = random.nextDouble(10);
        middle = random.nextDouble(0.42, 0.58) * w;
        double bright = of.kind() == MatteCase.Kind.DIM ? 0.4 : 1;
        cloth = of.blue() ? new double[] {0.05 * bright, 0.11 * bright, 0.46 * bright} : new double[] {0.055 * bright, 0.40 * bright,
            0.085 * bright};
    }

    double[] cloth() {
        return cloth;
    }

    /// How bright the cloth is at a pixel.
    double level(int x, int y) {
        double u = x / (double) w;
        double v = y / (double) h;
        double stops = of.kind() == MatteCase.Kind.UNEVEN ? 1.4 * (u - 0.5) - 0.5 * (v - 0.4) * (v - 0.4) : 0.25 * (u - 0.5);
        double folds = of.kind() == MatteCase.Kind.WRINKLES ? 0.13 * Math.sin(23 * u + 5 * Math.sin(3 * v + phase))
                + 0.07 * Math.sin(61 * u - 19 * v + phase)
                : 0.01 * Math.sin(19 * u + 7 * v);
        return Math.pow(2, stops) * (1 + folds);
    }

    private double[] pick(double[][] of) {
        // Nobody wears blue before a blue cloth.
        return of[random.nextInt(this.of.blue() && of == CLOTHES ? of.length - 1 : of.length)];
    }

    private double light(double nx, double ny, double nz) {
        double key = Math.max(0, nx * turnX - ny * 0.45 + nz * 0.7) / Math.sqrt(turnX * turnX + 0.45 * 0.45 + 0.49);
        return 0.30 + 0.75 * key;
    }

    /// Light of the cloth on a surface: from behind the subject, and where the cloth lies on the floor, from below.
    private double[] spill(double ny, double nz) {
        double seen = gain * (0.5 * (1 - nz) + 0.06) + (of.kind() == MatteCase.Kind.FLOOR ? 0.35 * Math.max(0, ny) : 0.03);
        return new double[] {cloth[0] * seen, cloth[1] * seen, cloth[2] * seen};
    }

    Painting painted(Bands bands) {
        Painting p = new Painting(w * h);
        double[] skin = of.kind() == MatteCase.Kind.SKIN ? SKIN[(int) (of.seed() % SKIN.length)] : pick(SKIN);
        double[] worn = switch (of.kind()) {
            case PALE -> pick(PALE);
            case DARK -> pick(DARK);
            case SCREEN_LIKE -> pick(of.blue() ? BLUISH : GREENISH);
            default -> pick(CLOTHES);
        };
        double[] hair = of.kind() == MatteCase.Kind.FAIR_HAIR || of.kind() == MatteCase.Kind.DIM ? new double[] {0.45, 0.33, 0.16}
                : of.kind() == MatteCase.Kind.CURLS ? new double[] {0.10, 0.06, 0.04} : new double[] {0.045, 0.032, 0.024};
        double hx = middle;
        double hy = 0.30 * h;
        double r = 0.11 * h;
        ellipse(p, hx, hy - 0.15 * r, 1.18 * r, 1.35 * r, hair);
        ellipse(p, hx, 0.92 * h, 0.24 * h, 0.44 * h, worn);
        capsule(p, hx + 0.16 * h, 0.60 * h, hx + 0.42 * h, 0.50 * h, 0.05 * h, worn);
        ellipse(p, hx + 0.45 * h, 0.49 * h, 0.045 * h, 0.04 * h, skin);
        capsule(p, hx, hy + r, hx, hy + 1.6 * r, 0.5 * r, skin);
        ellipse(p, hx, hy, r, 1.25 * r, skin);
        boolean loose = switch (of.kind()) {
            case HAIR, FAIR_HAIR, CURLS, UNEVEN, WRINKLES, SPILL, DIM -> true;
            default -> false;
        };
        strands(p, hx, hy, r, hair, loose ? of.kind() == MatteCase.Kind.CURLS ? 260 : 380 : 60);
        return switch (of.kind()) {
            case VEIL -> veil(p, hx, hy, r, 1);
            case VEILS -> veil(veil(p, hx, hy, r, 1), hx + 0.3 * r, hy, 1.3 * r, 2);
            case LACE -> veil(p, hx, hy, r, 3);
            case STRINGS -> strings(p);
            case MOTION -> moved(p, hx);
            case DEFOCUS -> p.blurred(random.nextDouble(1.2, 3) * scale, w, h, bands);
            case GLASS -> glass(p, hx);
            case SMOKE -> smoke(p, hx);
            default -> p;
        };
    }

    private void ellipse(Painting p, double cx, double cy, double rx, double ry, double[] colour) {
        for (int y = Math.max(0, (int) (cy - ry - 2)); y < Math.min(h, cy + ry + 2); y++) {
            for (int x = Math.max(0, (int) (cx - rx - 2)); x < Math.min(w, cx + rx + 2); x++) {
                double nx = (x + 0.5 - cx) / rx;
                double ny = (y + 0.5 - cy) / ry;
                double d = Math.hypot(nx, ny);
                double slope = Math.hypot(nx / rx, ny / ry) / Math.max(1e-9, d);
                double cover = Math.clamp(0.5 - (d - 1) / Math.max(1e-9, slope), 0, 1);
                shaded(p, y * w + x, cover, colour, nx / Math.max(1, d), ny / Math.max(1, d));
            }
        }
    }

    private void shaded(Painting p, int i, double cover, double[] colour, double nx, double ny) {
        if (cover > 0) {
            double nz = Math.sqrt(Math.max(0, 1 - nx * nx - ny * ny));
            p.over(i, cover, colour, new double[] {light(nx, ny, nz)}, spill(ny, nz));
        }
    }

    private void capsule(Painting p, double ax, double ay, double bx, double by, double r, double[] colour) {
        for (int y = Math.max(0, (int) (Math.min(ay, by) - r - 2)); y < Math.min(h, Math.max(ay, by) + r + 2); y++) {
            for (int x = Math.max(0, (int) (Math.min(ax, bx) - r - 2)); x < Math.min(w, Math.max(ax, bx) + r + 2); x++) {
                double[] off = off(x + 0.5, y + 0.5, ax, ay, bx, by);
                double d = Math.hypot(off[0], off[1]);
                shaded(p, y * w + x, Math.clamp(0.5 + r - d, 0, 1), colour, off[0] / Math.max(r, d), off[1] / Math.max(r, d));
            }
        }
    }

    private static double[] off(double x, double y, double ax, double ay, double bx, double by) {
        double dx = bx - ax;
        double dy = by - ay;
        double t = Math.clamp(((x - ax) * dx + (y - ay) * dy) / Math.max(1e-9, dx * dx + dy * dy), 0, 1);
        return new double[] {x - ax - t * dx, y - ay - t * dy};
    }

    private void strands(Painting p, double hx, double hy, double r, double[] hair, int n) {
        for (int k = 0; k < n; k++) {
            double a = Math.PI * (random.nextDouble(1.3) - 0.15);
            double[] x = new double[7];
            double[] y = new double[7];
            x[0] = hx + 1.1 * r * Math.cos(a);
            y[0] = hy - 1.25 * r * Math.sin(a) - 0.1 * r;
            double turn = random.nextDouble(-0.5, 0.5);
            double bend = of.kind() == MatteCase.Kind.CURLS ? random.nextDouble(-1.2, 1.2) : random.nextDouble(-0.35, 0.35);
            double step = random.nextDouble(0.03, 0.16) * r * (of.kind() == MatteCase.Kind.CURLS ? 0.8 : 1.4);
            for (int s = 1; s < x.length; s++) {
                double heading = a + turn + bend * s;
                x[s] = x[s - 1] + step * Math.cos(heading);
                y[s] = y[s - 1] - step * Math.sin(heading) + 0.03 * step * s;
            }
            double tint = random.nextDouble(0.7, 1.3);
            strand(p, x, y, random.nextDouble(0.12, 0.42) * scale, new double[] {hair[0] * tint, hair[1] * tint, hair[2] * tint},
                    random.nextDouble(0.3, 1));
        }
    }

    /// A thin thing: its coverage of a pixel is its width within it.
    private void strand(Painting p, double[] x, double[] y, double r, double[] colour, double nz) {
        double left = w;
        double top = h;
        double right = 0;
        double bottom = 0;
        for (int s = 0; s < x.length; s++) {
            left = Math.min(left, x[s]);
            right = Math.max(right, x[s]);
            top = Math.min(top, y[s]);
            bottom = Math.max(bottom, y[s]);
        }
        for (int v = Math.max(0, (int) (top - r - 1.5)); v < Math.min(h, bottom + r + 1.5); v++) {
            for (int u = Math.max(0, (int) (left - r - 1.5)); u < Math.min(w, right + r + 1.5); u++) {
                double d = 9;
                for (int s = 0; s + 1 < x.length; s++) {
                    double[] off = off(u + 0.5, v + 0.5, x[s], y[s], x[s + 1], y[s + 1]);
                    d = Math.min(d, Math.hypot(off[0], off[1]));
                }
                double cover = r >= 0.5 ? Math.clamp(r + 0.5 - d, 0, 1) : 2 * r * Math.max(0, 1 - d);
                if (cover > 0) {
                    p.over(v * w + u, cover, colour, new double[] {light(0, -0.5, nz)}, spill(0, nz));
                }
            }
        }
    }

    private Painting veil(Painting p, double hx, double hy, double r, int style) {
        double[] colour = random.nextInt(3) == 0 ? new double[] {0.10, 0.02, 0.03} : new double[] {0.75, 0.74, 0.72};
        double base = random.nextDouble(0.14, 0.30);
        for (int y = (int) (hy - 1.5 * r); y < h; y++) {
            double down = (y - hy + 1.5 * r) / h;
            double half = 1.5 * r + down * 0.5 * h;
            for (int x = Math.max(0, (int) (hx - half - 2)); x < Math.min(w, hx + half + 2); x++) {
                double u = (x - hx) / half;
                double fold = 0.5 + 0.5 * Math.sin(9 * u + 3 * style + 2 * down * 5);
                double a = base + 0.35 * fold * fold * fold * down;
                if (style == 3) {
                    double hole = Math.sin(x * 0.55 / scale) * Math.sin(y * 0.5 / scale)
                            + 0.5 * Math.sin(x * 0.13 / scale + y * 0.09 / scale);
                    a = 0.12 + 0.8 * Math.clamp(0.5 + 3 * hole, 0, 1);
                }
                double cover = a * Math.clamp((half - Math.abs(x - hx)) / 1.2, 0, 1);
                if (cover > 0) {
                    p.over(y * w + x, cover, colour, new double[] {light(0.4 * Math.cos(9 * u), -0.2, 0.85)}, spill(0, 0.55));
                }
            }
        }
        return p;
    }

    private Painting strings(Painting p) {
        for (int k = 0; k < 9; k++) {
            double[] dark = random.nextBoolean() ? new double[] {0.03, 0.03, 0.03} : new double[] {0.55, 0.52, 0.45};
            double x0 = random.nextDouble(0.05, 0.95) * w;
            double x1 = x0 + random.nextDouble(-0.2, 0.2) * w;
            strand(p, new double[] {x0, x1}, new double[] {0, random.nextDouble(0.4, 0.9) * h}, random.nextDouble(0.15, 0.8) * scale,
                    dark,
                    random.nextDouble(0.4, 1));
        }
        return p;
    }

    private Painting moved(Painting p, double hx) {
        Painting arm = new Painting(w * h);
        double[] sleeve = pick(CLOTHES);
        capsule(arm, hx - 0.16 * h, 0.62 * h, hx - 0.45 * h, 0.36 * h, 0.045 * h, sleeve);
        ellipse(arm, hx - 0.48 * h, 0.33 * h, 0.05 * h, 0.045 * h, pick(SKIN));
        Painting swept = new Painting(w * h);
        double dx = random.nextDouble(10, 34) * scale;
        double dy = random.nextDouble(-14, 14) * scale;
        int n = 24;
        for (int k = 0; k < n; k++) {
            double t = (k + 0.5) / n - 0.5;
            swept.add(arm, (int) Math.round(dx * t), (int) Math.round(dy * t), 1.0 / n, w, h);
        }
        p.over(swept);
        return p;
    }

    private Painting glass(Painting p, double hx) {
        double cx = hx - 0.42 * h;
        double cy = 0.5 * h;
        double r = 0.14 * h;
        double[] tint = {0.55, 0.62, 0.60};
        for (int y = (int) (cy - r - 2); y < cy + r + 2; y++) {
            for (int x = Math.max(0, (int) (cx - r - 2)); x < Math.min(w, cx + r + 2); x++) {
                double d = Math.hypot(x + 0.5 - cx, y + 0.5 - cy) / r;
                double a = (0.07 + 0.6 * Math.pow(Math.min(1, d), 9)) * Math.clamp((1 - d) * r + 0.5, 0, 1);
                double shine = Math.exp(-Math.pow(Math.hypot(x - cx + 0.4 * r, y - cy + 0.4 * r) / (0.16 * r), 2));
                if (a > 0) {
                    p.over(y * w + x, Math.min(1, a + 0.8 * shine), new double[] {tint[0] + 0.4 * shine, tint[1] + 0.4 * shine,
                        tint[2] + 0.4 * shine}, new double[] {0.9}, spill(0, 0.8));
                }
            }
        }
        return p;
    }

    private Painting smoke(Painting p, double hx) {
        List<double[]> puffs = new ArrayList<>();
        for (int k = 0; k < 70; k++) {
            double up = random.nextDouble();
            puffs.add(new double[] {hx - 0.5 * h + random.nextDouble(-1, 1) * (0.05 + 0.2 * up) * h, (0.9 - 0.75 * up) * h,
                    (0.02 + 0.06 * up) * h,
                random.nextDouble(0.03, 0.16)});
        }
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                double thick = 0;
                for (double[] q : puffs) {
                    double d = ((x - q[0]) * (x - q[0]) + (y - q[1]) * (y - q[1])) / (q[2] * q[2]);
                    thick += d < 9 ? q[3] * Math.exp(-d) : 0;
                }
                if (thick > 1e-3) {
                    p.over(y * w + x, 1 - Math.exp(-thick), new double[] {0.62, 0.62, 0.63}, new double[] {0.85}, spill(0, 0.4));
                }
            }
        }
        return p;
    }

    /// Light kept by the shadow of the subject on the cloth.
    Plane kept() {
        Plane k = Plane.filled(w, h, 1);
        if (of.kind() != MatteCase.Kind.FLOOR && of.kind() != MatteCase.Kind.WRINKLES && of.kind() != MatteCase.Kind.DARK) {
            return k;
        }
        double depth = random.nextDouble(0.3, 0.6);
        double lean = -Math.signum(turnX) * 0.35 * h;
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                double body = Math.hypot((x - middle - lean) / (0.30 * h), (y - 0.95 * h) / (0.5 * h));
                double head = Math.hypot((x - middle - lean) / (0.15 * h), (y - 0.36 * h) / (0.17 * h));
                double s = Math.max(soft(body), soft(head));
                k.data()[y * w + x] = (float) (1 - depth * s);
            }
        }
        return k;
    }

    private static double soft(double d) {
        return 1 / (1 + Math.exp((d - 1) * 16));
    }
}
