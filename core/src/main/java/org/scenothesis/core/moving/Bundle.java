package org.scenothesis.core.moving;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.LUDecomposition;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// All cameras and all places at once, so that the places are seen where they were seen.
///
/// - Levenberg and Marquardt's steps over the cameras alone, the places put in afterwards (Brown 1958; Triggs et al. 2000), what does not fit weighted down (Cauchy).
/// - The first camera stays where it is.
final class Bundle {
    /// What the cameras do: they stand in one place and turn, or turn and zoom, or travel.
    enum Motion {
        TURN(3, 2),
        ZOOM(4, 2),
        TRAVEL(6, 3);

        final int ofCamera;
        final int ofPlace;

        Motion(int ofCamera, int ofPlace) {
            this.ofCamera = ofCamera;
            this.ofPlace = ofPlace;
        }
    }

    private static final double HELD = 1e12;
    private static final double LEAST_PX = 0.15;

    private final Motion motion;
    private final boolean focalFree;
    private final double expectedLog;
    private final double looseLog;
    private Stand[] cameras;
    private Vec[] places;
    private final List<Seen> seen = new ArrayList<>();
    private int[] begin = {0};
    private double softPx = 2;

    /// A place seen by a camera, in pixels from where the lens looks.
    record Seen(int camera, int place, Point at) {}

    /// - `looseLog`: how far the logarithm of the focal length may be from that of the first camera, as a deviation; 0 where it is known.
    Bundle(Motion motion, List<Stand> cameras, List<Vec> places, List<Seen> all, double looseLog) {
        this.motion = motion;
        this.cameras = cameras.toArray(Stand[]::new);
        this.places = places.toArray(Vec[]::new);
        this.looseLog = looseLog;
        focalFree = looseLog > 0;
        expectedLog = cameras.getFirst().logFocal();
        byPlace(all);
    }

    private void byPlace(List<Seen> all) {
        int[] count = new int[places.length + 1];
        all.forEach(s -> count[s.place + 1]++);
        for (int i = 0; i < places.length; i++) {
            count[i + 1] += count[i];
        }
        begin = count.clone();
        Seen[] sorted = new Seen[all.size()];
        int[] next = count.clone();
        for (Seen s : all) {
            sorted[next[s.place]++] = s;
        }
        seen.addAll(Arrays.asList(sorted));
    }

    List<Stand> cameras() {
        return List.of(cameras);
    }

    List<Vec> places() {
        return List.of(places);
    }

    private boolean globalFocal() {
        return focalFree && motion != Motion.ZOOM;
    }

    private int size() {
        return cameras.length * motion.ofCamera + (globalFocal() ? 1 : 0);
    }

    private double off(Seen s) {
        return cameras[s.camera].off(places[s.place], s.at, motion != Motion.TRAVEL);
    }

    private double cost() {
        double sum = 0;
        for (Seen s : seen) {
            double d = Math.min(1e6, off(s));
            sum += softPx * softPx * Math.log1p(d * d / (softPx * softPx));
        }
        for (int c = 0; focalFree && c < (motion == Motion.ZOOM ? cameras.length : 1); c++) {
            double d = (cameras[c].logFocal() - expectedLog) / looseLog * LEAST_PX;
            sum += d * d;
        }
        return sum;
    }

    /// Up to so many steps; what lies `soft` pixels off counts half. The cost in the end, in square pixels.
    double solve(int rounds, double soft) {
        softPx = soft;
        double damp = 1e-4;
        double cost = cost();
        for (int i = 0; i < rounds; i++) {
            Normal n = normal();
            boolean better = false;
            double gained = 0;
            for (int k = 0; k < 7 && !better; k++) {
                Stand[] oldCameras = cameras;
                Vec[] oldPlaces = places;
                if (n.step(damp)) {
                    double now = cost();
                    better = now < cost;
                    gained = cost - now;
                    cost = better ? now : cost;
                }
                if (!better) {
                    cameras = oldCameras;
                    places = oldPlaces;
                    damp *= 8;
                } else {
                    damp = Math.max(1e-9, damp / 5);
                }
            }
            if (!better || gained < 1e-7 * cost) {
                break;
            }
        }
        return cost;
    }

    /// How far every camera's place may be off in units, and the logarithm of the focal length last; the scale held by the camera farthest from the first. Empty where that cannot be said.
    ///
    /// - `atFocal`: as if the focal length were known, which turns and stretches the whole path.
    double[] deviations(boolean atFocal) {
        Normal n = normal();
        double sum = 0;
        for (Seen s : seen) {
            double d = off(s);
            sum += n.weight(d) * d * d;
        }
        double sigma = Math.sqrt(sum / Math.max(1, 2 * seen.size() - size() - places.length * motion.ofPlace));
        // A point that is followed a little off is off alike in all frames: each counts as about one sight.
        return n.deviations(sigma * Math.sqrt(seen.size() / (double) Math.max(1, places.length)), atFocal);
    }

    /// The equations of one step.
    private final class Normal {
        private final int cd = motion.ofCamera;
        private final int pd = motion.ofPlace;
        private final int n = size();
        private final double[][] u = new double[n][n];
        private final double[] right = new double[n];
        private final double[][][] v = new double[places.length][pd][pd];
        private final double[][] rightOf = new double[places.length][pd];
        private final double[][][] w = new double[seen.size()][cd][pd];
        private final double[][] ofFocal = new double[places.length][pd];

        double weight(double d) {
            return 1 / (1 + d * d / (softPx * softPx));
        }

        private void add(int k, double[][] a, double[][] b, double[] g) {
            Seen s = seen.get(k);
            Stand c = cameras[s.camera];
            Vec x = motion == Motion.TRAVEL ? c.seen(places[s.place]) : c.turned(places[s.place]);
            if (x.z() <= 1e-9) {
                return;
            }
            double f = c.focal();
            double px = f * x.x() / x.z();
            double py = f * x.y() / x.z();
            double[] e = {s.at.x() - px, s.at.y() - py};
            double weight = weight(Math.hypot(e[0], e[1]));
            Slopes.ofCamera(c, x, motion, a);
            Slopes.ofPlace(c, x, places[s.place], motion, b);
            g[0] = px;
            g[1] = py;
            int at = s.camera * cd;
            for (int row = 0; row < 2; row++) {
                for (int i = 0; i < cd; i++) {
                    double wa = weight * a[row][i];
                    for (int m = 0; m < cd; m++) {
                        u[at + i][at + m] += wa * a[row][m];
                    }
                    for (int m = 0; m < pd; m++) {
                        w[k][i][m] += wa * b[row][m];
                    }
                    right[at + i] += wa * e[row];
                    if (globalFocal()) {
                        u[at + i][n - 1] += wa * g[row];
                        u[n - 1][at + i] += wa * g[row];
                    }
                }
                for (int i = 0; i < pd; i++) {
                    double wb = weight * b[row][i];
                    for (int m = 0; m < pd; m++) {
                        v[s.place][i][m] += wb * b[row][m];
                    }
                    rightOf[s.place][i] += wb * e[row];
                    ofFocal[s.place][i] += globalFocal() ? wb * g[row] : 0;
                }
                if (globalFocal()) {
                    u[n - 1][n - 1] += weight * g[row] * g[row];
                    right[n - 1] += weight * g[row] * e[row];
                }
            }
        }

        private void held() {
            for (int i = 0; i < Math.min(cd, motion == Motion.TRAVEL ? 6 : 3); i++) {
                u[i][i] += HELD;
            }
            double weight = focalFree ? LEAST_PX * LEAST_PX / (looseLog * looseLog) : 0;
            if (globalFocal()) {
                u[n - 1][n - 1] += weight;
                right[n - 1] -= weight * (cameras[0].logFocal() - expectedLog);
            } else if (motion == Motion.ZOOM) {
                for (int c = 0; c < cameras.length; c++) {
                    int at = c * cd + 3;
                    u[at][at] += focalFree ? weight : HELD;
                    right[at] -= focalFree ? weight * (cameras[c].logFocal() - expectedLog) : 0;
                }
            }
        }

        /// Without the places: what is left for the cameras.
        private double[][] reduced(double damp, double[][] invert, double[] rhs) {
            double[][] s = new double[n][];
            for (int i = 0; i < n; i++) {
                s[i] = u[i].clone();
                s[i][i] += damp * u[i][i] + 1e-12;
            }
            System.arraycopy(right, 0, rhs, 0, n);
            for (int p = 0; p < places.length; p++) {
                int from = begin[p];
                int to = begin[p + 1];
                double[] inv = inverse(v[p], damp, pd);
                invert[p] = inv;
                int rows = (to - from) * cd + (globalFocal() ? 1 : 0);
                int[] index = new int[rows];
                double[] wide = new double[rows * pd];
                for (int k = from, r = 0; k < to; k++) {
                    for (int i = 0; i < cd; i++, r++) {
                        index[r] = seen.get(k).camera * cd + i;
                        System.arraycopy(w[k][i], 0, wide, r * pd, pd);
                    }
                }
                if (globalFocal()) {
                    index[rows - 1] = n - 1;
                    System.arraycopy(ofFocal[p], 0, wide, (rows - 1) * pd, pd);
                }
                put(s, rhs, index, wide, inv, rightOf[p]);
            }
            for (int i = 0; i < n; i++) {
                for (int k = 0; k < i; k++) {
                    s[i][k] = s[k][i];
                }
            }
            return s;
        }

        /// What one place takes from the cameras that see it, above the diagonal; they come in their order.
        private void put(double[][] s, double[] rhs, int[] index, double[] wide, double[] inv, double[] own) {
            double[] t = new double[3];
            for (int i = 0; i < index.length; i++) {
                for (int m = 0; m < pd; m++) {
                    t[m] = 0;
                    for (int q = 0; q < pd; q++) {
                        t[m] += wide[i * pd + q] * inv[q * pd + m];
                    }
                    rhs[index[i]] -= t[m] * own[m];
                }
                double[] row = s[index[i]];
                double t0 = t[0];
                double t1 = t[1];
                double t2 = t[2];
                if (pd == 3) {
                    for (int j = i, at = 3 * i; j < index.length; j++, at += 3) {
                        row[index[j]] -= t0 * wide[at] + t1 * wide[at + 1] + t2 * wide[at + 2];
                    }
                } else {
                    for (int j = i, at = 2 * i; j < index.length; j++, at += 2) {
                        row[index[j]] -= t0 * wide[at] + t1 * wide[at + 1];
                    }
                }
            }
        }

        /// Cameras and places moved by one step; false where it cannot be solved.
        boolean step(double damp) {
            double[][] invert = new double[places.length][];
            double[] rhs = new double[n];
            double[][] s = reduced(damp, invert, rhs);
            double[] d;
            try {
                d = new CholeskyDecomposition(new Array2DRowRealMatrix(s, false), 1e-6, 0).getSolver().solve(new ArrayRealVector(rhs, false)).toArray();
            } catch (MathRuntimeException e) {
                return false;
            }
            for (double x : d) {
                if (!Double.isFinite(x)) {
                    return false;
                }
            }
            double logF = globalFocal() ? d[n - 1] : 0;
            if (Math.abs(logF) > 0.5) {
                return false;
            }
            Stand[] moved = new Stand[cameras.length];
            for (int c = 0; c < cameras.length; c++) {
                int at = c * cd;
                Vec by = motion == Motion.TRAVEL ? new Vec(d[at + 3], d[at + 4], d[at + 5]) : Vec.ZERO;
                moved[c] = cameras[c].nudged(d[at], d[at + 1], d[at + 2], by, motion == Motion.ZOOM ? d[at + 3] : logF);
            }
            Vec[] put = new Vec[places.length];
            for (int p = 0; p < places.length; p++) {
                double[] r = rightOf[p].clone();
                for (int k = begin[p]; k < begin[p + 1]; k++) {
                    int at = seen.get(k).camera * cd;
                    for (int m = 0; m < pd; m++) {
                        for (int i = 0; i < cd; i++) {
                            r[m] -= w[k][i][m] * d[at + i];
                        }
                    }
                }
                for (int m = 0; globalFocal() && m < pd; m++) {
                    r[m] -= ofFocal[p][m] * d[n - 1];
                }
                put[p] = moved(places[p], invert[p], r);
            }
            cameras = moved;
            places = put;
            return true;
        }

        private Vec moved(Vec place, double[] inv, double[] r) {
            double[] by = new double[pd];
            for (int m = 0; m < pd; m++) {
                for (int q = 0; q < pd; q++) {
                    by[m] += inv[m * pd + q] * r[q];
                }
            }
            if (motion == Motion.TRAVEL) {
                return place.plus(new Vec(by[0], by[1], by[2]));
            }
            Vec[] t = tangent(place);
            return place.plus(t[0].times(by[0])).plus(t[1].times(by[1])).unit();
        }

        double[] deviations(double sigma, boolean atFocal) {
            double[] rhs = new double[n];
            double[][] s = reduced(1e-9, new double[places.length][], rhs);
            s[n - 1][n - 1] += atFocal && globalFocal() ? HELD : 0;
            if (motion == Motion.TRAVEL) {
                int far = 0;
                for (int c = 1; c < cameras.length; c++) {
                    far = cameras[c].at().minus(cameras[0].at()).length() > cameras[far].at().minus(cameras[0].at()).length() ? c : far;
                }
                Vec d = cameras[far].at().minus(cameras[0].at()).unit();
                double[] along = {d.x(), d.y(), d.z()};
                double most = 0;
                for (int i = 0; i < 3; i++) {
                    most = Math.max(most, u[far * cd + 3 + i][far * cd + 3 + i]);
                }
                for (int i = 0; i < 3; i++) {
                    for (int k = 0; k < 3; k++) {
                        s[far * cd + 3 + i][far * cd + 3 + k] += 1e4 * most * along[i] * along[k];
                    }
                }
            }
            try {
                DecompositionSolver solver = new LUDecomposition(new Array2DRowRealMatrix(s, false), 1e-300).getSolver();
                double[][] c = solver.getInverse().getData();
                double[] out = new double[cameras.length + 1];
                for (int i = 0; motion == Motion.TRAVEL && i < cameras.length; i++) {
                    int at = i * cd + 3;
                    out[i] = sigma * Math.sqrt(Math.max(0, c[at][at] + c[at + 1][at + 1] + c[at + 2][at + 2]));
                }
                int f = motion == Motion.ZOOM ? 3 : n - 1;
                out[cameras.length] = focalFree ? sigma * Math.sqrt(Math.max(0, c[f][f])) : 0;
                return out;
            } catch (MathRuntimeException e) {
                return new double[0];
            }
        }
    }

    private Normal normal() {
        Normal n = new Normal();
        double[][] a = new double[2][motion.ofCamera];
        double[][] b = new double[2][motion.ofPlace];
        double[] g = new double[2];
        for (int k = 0; k < seen.size(); k++) {
            n.add(k, a, b, g);
        }
        n.held();
        return n;
    }

    /// Two directions square to one and to each other.
    static Vec[] tangent(Vec d) {
        Vec one = d.cross(Math.abs(d.x()) < 0.6 ? new Vec(1, 0, 0) : new Vec(0, 1, 0)).unit();
        return new Vec[] {one, d.cross(one).unit()};
    }

    private static double[] inverse(double[][] m, double damp, int n) {
        double[] out = new double[n * n];
        if (n == 2) {
            double a = m[0][0] * (1 + damp) + 1e-12;
            double d = m[1][1] * (1 + damp) + 1e-12;
            double det = a * d - m[0][1] * m[1][0];
            out[0] = d / det;
            out[1] = -m[0][1] / det;
            out[2] = -m[1][0] / det;
            out[3] = a / det;
            return out;
        }
        double a = m[0][0] * (1 + damp) + 1e-12;
        double e = m[1][1] * (1 + damp) + 1e-12;
        double i = m[2][2] * (1 + damp) + 1e-12;
        double b = m[0][1];
        double c = m[0][2];
        double f = m[1][2];
        double det = a * (e * i - f * f) - b * (b * i - f * c) + c * (b * f - e * c);
        out[0] = (e * i - f * f) / det;
        out[1] = out[3] = (c * f - b * i) / det;
        out[2] = out[6] = (b * f - c * e) / det;
        out[4] = (a * i - c * c) / det;
        out[5] = out[7] = (b * c - a * f) / det;
        out[8] = (a * e - b * b) / det;
        return out;
    }
}
