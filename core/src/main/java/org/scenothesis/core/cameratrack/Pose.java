package org.scenothesis.core.cameratrack;

import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Solve;

/// One camera placed before places that are known.
final class Pose {
    private static final int ROUNDS = 15;

    private Pose() {}

    /// A place and where it is seen, from where the lens looks.
    record Sight(Vec place, Point at) {}

    /// From a camera near by, by Gauss and Newton's steps; what is `soft` pixels off counts half.
    static Stand placed(Stand start, List<Sight> sights, BundleAdjustment.Motion motion, double soft) {
        Stand s = start;
        int n = motion.ofCamera;
        double cost = cost(s, sights, motion, soft);
        double damp = 1e-6;
        for (int round = 0; round < ROUNDS && sights.size() > n; round++) {
            double[][] m = new double[n][n + 1];
            for (Sight g : sights) {
                add(s, g, motion, soft, m);
            }
            for (int i = 0; i < n; i++) {
                m[i][i] += damp * m[i][i] + 1e-9;
            }
            double[] d = Solve.linear(m).orElse(null);
            if (d == null) {
                return s;
            }
            Stand next = s.nudged(d[0], d[1], d[2], motion == BundleAdjustment.Motion.TRAVEL ? new Vec(d[3], d[4], d[5]) : Vec.ZERO,
                    motion == BundleAdjustment.Motion.ZOOM ? d[3] : 0);
            double now = cost(next, sights, motion, soft);
            if (now < cost) {
                boolean done = cost - now < 1e-9 * cost;
                s = next;
                cost = now;
                damp /= 5;
                if (done) {
                    break;
                }
            } else {
                damp = Math.max(1e-6, damp * 20);
            }
        }
        return s;
    }

    private static double cost(Stand s, List<Sight> sights, BundleAdjustment.Motion motion, double soft) {
        double sum = 0;
        for (Sight g : sights) {
            double d = Math.min(1e6, s.off(g.place, g.at, motion != BundleAdjustment.Motion.TRAVEL));
            sum += Math.log1p(d * d / (soft * soft));
        }
        return sum;
    }

    private static void add(Stand s, Sight g, BundleAdjustment.Motion motion, double soft, double[][] m) {
        Vec x = motion == BundleAdjustment.Motion.TRAVEL ? s.seen(g.place) : s.turned(g.place);
        if (x.z() <= 1e-9) {
            return;
        }
        double f = s.focal();
        double[] e = {g.at.x() - f * x.x() / x.z(), g.at.y() - f * x.y() / x.z()};
        double weight = 1 / (1 + (e[0] * e[0] + e[1] * e[1]) / (soft * soft));
        double[][] a = new double[2][motion.ofCamera];
        ProjectionJacobian.ofCamera(s, x, motion, a);
        int n = motion.ofCamera;
        for (int row = 0; row < 2; row++) {
            for (int i = 0; i < n; i++) {
                for (int k = 0; k < n; k++) {
                    m[i][k] += weight * a[row][i] * a[row][k];
                }
                m[i][n] += weight * a[row][i] * e[row];
            }
        }
    }

    private static double[] off(Stand s, List<Sight> sights, boolean far) {
        return sights.stream().mapToDouble(g -> s.off(g.place, g.at, far)).sorted().toArray();
    }

    /// What half of the points leave over at most, in pixels; the largest number without points.
    static double middleOff(Stand s, List<Sight> sights, boolean far) {
        double[] d = off(s, sights, far);
        return d.length == 0 ? Double.MAX_VALUE : d[d.length / 2];
    }

    /// Root of the mean square over those that fit: nine of ten.
    static double rootOff(Stand s, List<Sight> sights, boolean far) {
        double[] d = off(s, sights, far);
        int n = Math.max(1, (int) (0.9 * d.length));
        return d.length == 0 ? Double.NaN : Math.sqrt(Arrays.stream(d, 0, n).map(v -> v * v).sum() / n);
    }
}
