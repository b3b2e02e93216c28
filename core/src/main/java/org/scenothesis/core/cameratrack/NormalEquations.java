package org.scenothesis.core.cameratrack;

import java.util.List;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.LUDecomposition;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.cameratrack.BundleAdjustment.Motion;
import org.scenothesis.core.cameratrack.BundleAdjustment.Seen;
import org.scenothesis.core.optics.Vec;

/// The equations of one step of a [BundleAdjustment]: cameras alone, with the places put in afterwards (Schur's complement).
final class NormalEquations {
    private static final double HELD = 1e12;

    private final BundleAdjustment.Problem problem;
    private final Motion motion;
    private final List<Seen> seen;
    private final int[] begin;
    private final Stand[] cameras;
    private final Vec[] places;
    private final double softPx;
    private final int cd;
    private final int pd;
    private final int n;
    private final double[][] u;
    private final double[] right;
    private final double[][][] v;
    private final double[][] rightOf;
    private final double[][][] w;
    private final double[][] ofFocal;

    /// Of a problem where it stands; what lies `softPx` off counts half.
    NormalEquations(BundleAdjustment.Problem problem, BundleAdjustment.State at, double softPx) {
        this.problem = problem;
        this.softPx = softPx;
        motion = problem.motion();
        seen = problem.seen();
        begin = problem.begin();
        cameras = at.cameras();
        places = at.places();
        cd = motion.ofCamera;
        pd = motion.ofPlace;
        n = cameras.length * cd + (problem.globalFocal() ? 1 : 0);
        u = new double[n][n];
        right = new double[n];
        v = new double[places.length][pd][pd];
        rightOf = new double[places.length][pd];
        w = new double[seen.size()][cd][pd];
        ofFocal = new double[places.length][pd];
        double[][] a = new double[2][cd];
        double[][] b = new double[2][pd];
        double[] g = new double[2];
        for (int k = 0; k < seen.size(); k++) {
            add(k, a, b, g);
        }
        held();
    }

    double weight(double d) {
        return 1 / (1 + d * d / (softPx * softPx));
    }

    private void add(int k, double[][] a, double[][] b, double[] g) {
        Seen s = seen.get(k);
        Stand c = cameras[s.camera()];
        Vec x = motion == Motion.TRAVEL ? c.seen(places[s.place()]) : c.turned(places[s.place()]);
        if (x.z() <= 1e-9) {
            return;
        }
        double f = c.focal();
        double px = f * x.x() / x.z();
        double py = f * x.y() / x.z();
        double[] e = {s.at().x() - px, s.at().y() - py};
        double weight = weight(Math.hypot(e[0], e[1]));
        ProjectionJacobian.ofCamera(c, x, motion, a);
        ProjectionJacobian.ofPlace(c, x, places[s.place()], motion, b);
        g[0] = px;
        g[1] = py;
        int at = s.camera() * cd;
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
                if (problem.globalFocal()) {
                    u[at + i][n - 1] += wa * g[row];
                    u[n - 1][at + i] += wa * g[row];
                }
            }
            for (int i = 0; i < pd; i++) {
                double wb = weight * b[row][i];
                for (int m = 0; m < pd; m++) {
                    v[s.place()][i][m] += wb * b[row][m];
                }
                rightOf[s.place()][i] += wb * e[row];
                ofFocal[s.place()][i] += problem.globalFocal() ? wb * g[row] : 0;
            }
            if (problem.globalFocal()) {
                u[n - 1][n - 1] += weight * g[row] * g[row];
                right[n - 1] += weight * g[row] * e[row];
            }
        }
    }

    private void held() {
        for (int i = 0; i < Math.min(cd, motion == Motion.TRAVEL ? 6 : 3); i++) {
            u[i][i] += HELD;
        }
        double weight = problem.focalFree()
                ? BundleAdjustment.LEAST_PX * BundleAdjustment.LEAST_PX / (problem.looseLog() * problem.looseLog()) : 0;
        if (problem.globalFocal()) {
            u[n - 1][n - 1] += weight;
            right[n - 1] -= weight * (cameras[0].logFocal() - problem.expectedLog());
        } else if (motion == Motion.ZOOM) {
            for (int c = 0; c < cameras.length; c++) {
                int at = c * cd + 3;
                u[at][at] += problem.focalFree() ? weight : HELD;
                right[at] -= problem.focalFree() ? weight * (cameras[c].logFocal() - problem.expectedLog()) : 0;
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
            int rows = (to - from) * cd + (problem.globalFocal() ? 1 : 0);
            int[] index = new int[rows];
            double[] wide = new double[rows * pd];
            for (int k = from, r = 0; k < to; k++) {
                for (int i = 0; i < cd; i++, r++) {
                    index[r] = seen.get(k).camera() * cd + i;
                    System.arraycopy(w[k][i], 0, wide, r * pd, pd);
                }
            }
            if (problem.globalFocal()) {
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

    /// Cameras and places moved by one step; null where it cannot be solved.
    BundleAdjustment.@Nullable State step(double damp) {
        double[][] invert = new double[places.length][];
        double[] rhs = new double[n];
        double[][] s = reduced(damp, invert, rhs);
        double[] d;
        try {
            d = new CholeskyDecomposition(new Array2DRowRealMatrix(s, false), 1e-6, 0).getSolver().solve(new ArrayRealVector(rhs, false))
                    .toArray();
        } catch (MathRuntimeException e) {
            return null;
        }
        for (double x : d) {
            if (!Double.isFinite(x)) {
                return null;
            }
        }
        double logF = problem.globalFocal() ? d[n - 1] : 0;
        if (Math.abs(logF) > 0.5) {
            return null;
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
                int at = seen.get(k).camera() * cd;
                for (int m = 0; m < pd; m++) {
                    for (int i = 0; i < cd; i++) {
                        r[m] -= w[k][i][m] * d[at + i];
                    }
                }
            }
            for (int m = 0; problem.globalFocal() && m < pd; m++) {
                r[m] -= ofFocal[p][m] * d[n - 1];
            }
            put[p] = moved(places[p], invert[p], r);
        }
        return new BundleAdjustment.State(moved, put);
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
        Vec[] t = BundleAdjustment.tangent(place);
        return place.plus(t[0].times(by[0])).plus(t[1].times(by[1])).unit();
    }

    double[] deviations(double sigma, boolean atFocal) {
        double[] rhs = new double[n];
        double[][] s = reduced(1e-9, new double[places.length][], rhs);
        s[n - 1][n - 1] += atFocal && problem.globalFocal() ? HELD : 0;
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
            out[cameras.length] = problem.focalFree() ? sigma * Math.sqrt(Math.max(0, c[f][f])) : 0;
            return out;
        } catch (MathRuntimeException e) {
            return new double[0];
        }
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
