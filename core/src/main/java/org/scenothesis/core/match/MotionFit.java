package org.scenothesis.core.match;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Solve;

/// Finds the one planar motion that most points share.
///
/// - Consensus over pairs of points (Fischler & Bolles 1981) on similarities, then reweighted least squares (Tukey) of a turned camera
///   without and with roll and zoom, a similarity and a homography; the simplest that the static part supports is taken.
/// - A turned camera moves the sides of the picture more than its centre; a view angle of 54° is assumed for that small difference.
/// - Deterministic.
final class MotionFit {
    private static final int ROWS_ENOUGH = 40;
    private static final double UNKNOWN_PX = 1e3;
    /// Median of the size of what is normal with a deviation of 1.
    private static final double NORMAL = 0.6745;
    private static final int TRIES = 240;
    private static final double GATE_PX = 0.45;
    private static final int ENOUGH = 8;
    private static final double CLOSE_PX = 0.6;
    /// Share of the matched points that must lie close to a motion before it is believed.
    private static final double SUPPORTED = 0.4;
    private static final double FAR_MORE = 1.6;
    /// (half width / focal length)² of the assumed view angle.
    private static final double TURN = 0.26;

    private final List<Point> from;
    private final double[] to;
    private final double[] weights;
    private final Point centre;
    private final double unit;
    private final int[] found;

    /// The fitted motion. `residualPx`: RMS distance of matched points from it, by a robust estimate; `used` flags the points that agree.
    /// `cornerTimes`: how many times less sure than at the centre the motion is in the corner where it is least; `rowsOffPx`: how far the
    /// rows may be off.
    record Fit(PlanarMap map, PlanarMap similarity, int parameters, double residualPx, boolean[] used, double cornerTimes, double rowsPx,
            double rowsOffPx) {}

    MotionFit(List<Point> from, double[] weights, double[] to, int width, int height) {
        this.from = from;
        this.to = to;
        this.weights = weights;
        centre = new Point(width / 2.0, height / 2.0);
        unit = width / 2.0;
        int[] f = new int[from.size()];
        int n = 0;
        for (int i = 0; i < f.length; i++) {
            if (!Double.isNaN(to[2 * i])) {
                f[n++] = i;
            }
        }
        found = Arrays.copyOf(f, n);
    }

    /// Null when too few points agree on anything.
    @Nullable Fit solve() {
        if (found.length < ENOUGH) {
            return null;
        }
        PlanarMap start = consensus();
        if (start == null) {
            return null;
        }
        double noise = Math.max(0.02, Math.min(GATE_PX, spread(start)));
        PlanarMap similarity = refine(start, 4, 0, noise);
        noise = Math.max(0.015, Math.min(GATE_PX, spread(similarity)));
        similarity = refine(similarity, 4, 0, noise);
        PlanarMap homography = refine(similarity, 8, 0, noise);
        Candidate[] all = {
            new Candidate(refine(shiftOfMost(), 2, TURN, noise), 2), new Candidate(refine(similarity, 2, TURN, noise), 2),
            new Candidate(refine(similarity, 4, TURN, noise), 4), new Candidate(similarity, 4), new Candidate(homography, 8)
        };
        Candidate best = simplest(all, noise);
        double left = best.parameters == 8 ? spread(best.map) : Math.min(spread(best.map), spread(homography));
        boolean[] used = used(best.map, Math.max(4 * noise, 0.25));
        return new Fit(best.map, best.parameters == 2 ? best.map : similarity, best.parameters, Math.sqrt(2) * left, used,
                cornerTimes(best.map, best.parameters, used), rows(homography), rowsOff(similarity, noise));
    }

    private record Candidate(PlanarMap map, int parameters) {}

    /// The simplest motion that the static part of the frame supports.
    ///
    /// A further parameter must explain better what the simpler motion explains already (Bayesian information criterion over those points),
    /// or agree with by far more of the frame: bending towards what a minority does is no motion of the camera.
    private Candidate simplest(Candidate[] all, double noise) {
        Candidate best = null;
        double most = 0;
        for (Candidate c : all) {
            most = Math.max(most, support(c.map));
        }
        for (Candidate c : all) {
            double support = support(c.map);
            if (best == null) {
                best = support >= Math.min(SUPPORTED, 0.9 * most) ? c : null;
                continue;
            }
            double own = support(best.map);
            double here = Math.max(0.015, Math.min(noise, closeSpread(best.map)));
            double gain = cost(best.map, best.map, here) - cost(c.map, best.map, here);
            double price = (c.parameters - best.parameters) * Math.log(2.0 * found.length);
            boolean better = gain > price && support >= 0.9 * own;
            boolean wider = support > FAR_MORE * own && gain > -price;
            if (better || wider) {
                best = c;
            }
        }
        return best == null ? all[all.length - 1] : best;
    }

    /// Share of the matched points, by weight, that lie close to a motion.
    private double support(PlanarMap m) {
        double agree = 0;
        double all = 0;
        for (int i : found) {
            all += weights[i];
            agree += square(m, i) < CLOSE_PX * CLOSE_PX ? weights[i] : 0;
        }
        return all == 0 ? 0 : agree / all;
    }

    /// Deviation per axis of the points that lie close to a motion.
    private double closeSpread(PlanarMap m) {
        double[] away = Arrays.stream(found).mapToDouble(i -> square(m, i)).filter(d -> d < CLOSE_PX * CLOSE_PX).sorted().toArray();
        return away.length == 0 ? GATE_PX : Math.sqrt(away[away.length / 2] / (2 * Math.log(2)));
    }

    /// The shift that most points share.
    private PlanarMap shiftOfMost() {
        PlanarMap best = PlanarMap.identity();
        double most = votes(best);
        SplittableRandom random = new SplittableRandom(7);
        for (int t = 0; t < TRIES / 4; t++) {
            int i = found[random.nextInt(found.length)];
            PlanarMap m = PlanarMap.shift(to[2 * i] - from.get(i).x(), to[2 * i + 1] - from.get(i).y());
            double votes = votes(m);
            if (votes > most) {
                most = votes;
                best = m;
            }
        }
        return best;
    }

    private @Nullable PlanarMap consensus() {
        SplittableRandom random = new SplittableRandom(5);
        PlanarMap best = null;
        double most = 0;
        for (int t = 0; t < TRIES; t++) {
            PlanarMap m = t == 0 ? PlanarMap.identity() : pair(found[random.nextInt(found.length)], found[random.nextInt(found.length)]);
            if (m != null) {
                double votes = votes(m);
                if (votes > most) {
                    most = votes;
                    best = m;
                }
            }
        }
        return best;
    }

    private @Nullable PlanarMap pair(int i, int j) {
        Point p = from.get(i);
        Point q = from.get(j);
        double ux = q.x() - p.x();
        double uy = q.y() - p.y();
        double d2 = ux * ux + uy * uy;
        if (d2 < unit * unit / 16) {
            return null;
        }
        double vx = to[2 * j] - to[2 * i];
        double vy = to[2 * j + 1] - to[2 * i + 1];
        double a = (ux * vx + uy * vy) / d2;
        double b = (ux * vy - uy * vx) / d2;
        // No camera on its tripod zooms by more than a fifth.
        if (!(a * a + b * b > 0.64 && a * a + b * b < 1.44)) {
            return null;
        }
        return new PlanarMap(
                a, -b, to[2 * i] - a * p.x() + b * p.y(), b, a, to[2 * i + 1] - b * p.x() - a * p.y(), 0, 0, 1);
    }

    private double votes(PlanarMap m) {
        double sum = 0;
        for (int i : found) {
            double r2 = square(m, i);
            sum += weights[i] * Math.max(0, 1 - r2 / (GATE_PX * GATE_PX));
        }
        return sum;
    }

    private double square(PlanarMap m, int i) {
        Point p = m.map(from.get(i));
        double dx = to[2 * i] - p.x();
        double dy = to[2 * i + 1] - p.y();
        return dx * dx + dy * dy;
    }

    /// Deviation per axis by the weighted median distance.
    private double spread(PlanarMap m) {
        double[] away = new double[from.size()];
        for (int i : found) {
            away[i] = square(m, i);
        }
        Integer[] near = Arrays.stream(found).filter(i -> away[i] < 4).boxed().toArray(Integer[]::new);
        Arrays.sort(near, Comparator.comparingDouble(i -> away[i]));
        double half = Arrays.stream(near).mapToDouble(i -> weights[i]).sum() / 2;
        for (int i : near) {
            half -= weights[i];
            if (half <= 0) {
                return Math.sqrt(away[i] / (2 * Math.log(2)));
            }
        }
        return GATE_PX;
    }

    /// Misfit of `m` over the points that lie close to `close`.
    private double cost(PlanarMap m, PlanarMap close, double noise) {
        double sum = 0;
        double cut = 9 * noise * noise;
        for (int i : found) {
            if (square(close, i) < CLOSE_PX * CLOSE_PX) {
                sum += weights[i] * Math.min(square(m, i), cut) / (noise * noise);
            }
        }
        return sum;
    }

    /// What a bend of the picture shears its rows by beyond a roll, or spreads them beyond a zoom, over its height in pixels: the larger,
    /// with its sign.
    private double rows(PlanarMap m) {
        Point c = m.map(centre);
        Point along = m.map(centre.plus(new Point(1, 0))).minus(c);
        Point down = m.map(centre.plus(new Point(0, 1))).minus(c);
        double shear = 2 * centre.y() * (down.x() + along.y());
        double spread = 2 * centre.y() * (down.y() - along.x());
        return Math.abs(shear) > Math.abs(spread) ? shear : spread;
    }

    /// How far the rows may be off: what two halves of the points say apart from one another, as a deviation of their mean; unknown of few
    /// points, which fit a bend by chance.
    private double rowsOff(PlanarMap start, double noise) {
        if (found.length < ROWS_ENOUGH) {
            return UNKNOWN_PX;
        }
        double a = half(0).rowsFrom(start, noise);
        double b = half(1).rowsFrom(start, noise);
        return Math.abs(a - b) / 2 / NORMAL;
    }

    private double rowsFrom(PlanarMap start, double noise) {
        return rows(refine(start, 8, 0, noise));
    }

    private MotionFit half(int which) {
        double[] part = to.clone();
        for (int k = 0; k < found.length; k++) {
            if (k % 2 != which) {
                part[2 * found[k]] = Double.NaN;
            }
        }
        return new MotionFit(from, weights, part, (int) Math.round(2 * centre.x()), (int) Math.round(2 * centre.y()));
    }

    /// By the covariance of the parameters, from where the points lie that agree.
    private double cornerTimes(PlanarMap m, int parameters, boolean[] used) {
        double[][] normal = new double[parameters][parameters + 1];
        double[] jx = new double[parameters];
        double[] jy = new double[parameters];
        for (int i : found) {
            if (used[i]) {
                Point p = m.map(from.get(i));
                jacobian((p.x() - centre.x()) / unit, (p.y() - centre.y()) / unit, TURN, jx, jy);
                accumulate(normal, jx, jy, 0, 0, weights[i]);
            }
        }
        double[][] square = new double[parameters][];
        for (int k = 0; k < parameters; k++) {
            square[k] = Arrays.copyOf(normal[k], parameters);
            square[k][k] += 1e-9;
        }
        double[][] c = Solve.inverse(square);
        double high = centre.y() / unit;
        double worst = 0;
        for (int k = 0; k < 4; k++) {
            worst = Math.max(worst, variance(c, k % 2 == 0 ? -1 : 1, k < 2 ? -high : high, jx, jy));
        }
        return Math.sqrt(worst / Math.max(1e-12, variance(c, 0, 0, jx, jy)));
    }

    private static double variance(double[][] c, double u, double v, double[] jx, double[] jy) {
        jacobian(u, v, TURN, jx, jy);
        double sum = 0;
        for (int a = 0; a < jx.length; a++) {
            for (int b = 0; b < jx.length; b++) {
                sum += c[a][b] * (jx[a] * jx[b] + jy[a] * jy[b]);
            }
        }
        return sum;
    }

    private boolean[] used(PlanarMap m, double within) {
        boolean[] used = new boolean[from.size()];
        for (int i : found) {
            used[i] = square(m, i) < within * within;
        }
        return used;
    }

    /// Reweighted Gauss-Newton of 2, 4 or 8 parameters, in coordinates about the centre.
    private PlanarMap refine(PlanarMap start, int parameters, double turn, double noise) {
        PlanarMap m = turn == 0 && parameters > 2 ? start : turned(start, parameters, turn);
        for (int round = 0; round < 8; round++) {
            double[][] normal = new double[parameters][parameters + 1];
            double[] jx = new double[parameters];
            double[] jy = new double[parameters];
            for (int i : found) {
                Point p = m.map(from.get(i));
                double ex = to[2 * i] - p.x();
                double ey = to[2 * i + 1] - p.y();
                double t = (ex * ex + ey * ey) / (25 * noise * noise);
                if (t < 1) {
                    jacobian((p.x() - centre.x()) / unit, (p.y() - centre.y()) / unit, turn, jx, jy);
                    accumulate(normal, jx, jy, ex, ey, weights[i] * (1 - t) * (1 - t));
                }
            }
            for (int k = 0; k < parameters; k++) {
                normal[k][k] += 1e-9;
            }
            double[] s = Solve.linear(normal).orElse(null);
            if (s == null) {
                break;
            }
            m = step(s, turn).after(m);
            if (Arrays.stream(s).map(Math::abs).max().orElse(0) < 1e-6) {
                break;
            }
        }
        return m;
    }

    /// The motion of a turned camera that has a start's shift at the centre, and its zoom and roll where these are asked.
    private PlanarMap turned(PlanarMap start, int parameters, double turn) {
        Point at = start.shiftAt(centre.x(), centre.y());
        Point side = start.map(centre.plus(new Point(unit, 0))).minus(start.map(centre));
        double[] s = parameters == 2 ? new double[] {at.x(), at.y()} : new double[] {at.x(), at.y(), side.x() - unit, side.y()};
        return step(s, turn);
    }

    // Parameters: shift x, y; zoom, turn; then stretch, shear and two keystones. All in pixels at the side of the picture.
    private static void jacobian(double u, double v, double turn, double[] jx, double[] jy) {
        jx[0] = 1 + turn * u * u;
        jy[0] = turn * u * v;
        jx[1] = turn * u * v;
        jy[1] = 1 + turn * v * v;
        if (jx.length >= 4) {
            jx[2] = u;
            jy[2] = v;
            jx[3] = -v;
            jy[3] = u;
        }
        if (jx.length == 8) {
            jx[4] = u;
            jy[4] = -v;
            jx[5] = v;
            jy[5] = u;
            jx[6] = u * u;
            jy[6] = u * v;
            jx[7] = u * v;
            jy[7] = v * v;
        }
    }

    private static void accumulate(double[][] n, double[] jx, double[] jy, double ex, double ey, double weight) {
        int k = jx.length;
        for (int a = 0; a < k; a++) {
            for (int b = 0; b < k; b++) {
                n[a][b] += weight * (jx[a] * jx[b] + jy[a] * jy[b]);
            }
            n[a][k] += weight * (jx[a] * ex + jy[a] * ey);
        }
    }

    private PlanarMap step(double[] s, double turn) {
        double z = s.length >= 4 ? s[2] : 0;
        double r = s.length >= 4 ? s[3] : 0;
        double e = s.length == 8 ? s[4] : 0;
        double f = s.length == 8 ? s[5] : 0;
        double g = turn * s[0] + (s.length == 8 ? s[6] : 0);
        double h = turn * s[1] + (s.length == 8 ? s[7] : 0);
        PlanarMap local = new PlanarMap(
                1 + (z + e) / unit, (f - r) / unit, s[0] / unit,
                (f + r) / unit, 1 + (z - e) / unit, s[1] / unit,
                -g / unit, -h / unit, 1);
        PlanarMap in = new PlanarMap(1 / unit, 0, -centre.x() / unit, 0, 1 / unit, -centre.y() / unit, 0, 0, 1);
        PlanarMap out = new PlanarMap(unit, 0, centre.x(), 0, unit, centre.y(), 0, 0, 1);
        PlanarMap m = out.after(local).after(in);
        return new PlanarMap(m.a() / m.i(), m.b() / m.i(), m.c() / m.i(), m.d() / m.i(), m.e() / m.i(), m.f() / m.i(), m.g() / m.i(),
                m.h() / m.i(), 1);
    }
}
