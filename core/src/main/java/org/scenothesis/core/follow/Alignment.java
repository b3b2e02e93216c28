package org.scenothesis.core.follow;

import java.util.Arrays;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Solve;

/// Lays a pattern onto a frame to hundredths of a pixel, from nearby.
///
/// - Source: inverse compositional alignment (Baker & Matthews 2004) with gain and offset fitted in every round, from coarse to fine;
///   weights by Tukey's biweight, so that what covers part of the pattern does not pull.
final class Alignment {
    private static final int ROUNDS = 12;
    private static final int MILD_ROUNDS = 3;
    private static final double STILL_PX = 0.004;
    private static final double TUKEY = 4.685;
    /// A pixel agrees if it differs by no more than this part of the pattern's deviation, or by what noise does.
    private static final double AGREES = 0.5;
    /// Compression and eight-bit steps leave as much, however smooth a wall looks.
    private static final double LEAST_NOISE = 0.008;
    private static final int SOME = 700;
    private static final double DAMPING = 1e-4;

    private final Pattern pattern;
    private final Freedom freedom;
    private final FrameView frame;

    Alignment(Pattern pattern, Freedom freedom, FrameView frame) {
        this.pattern = pattern;
        this.freedom = freedom;
        this.frame = frame;
    }

    /// Where it lies and how well: `alike` is the correlation of what agrees, `seen` the share of the pattern that agrees, by its pixels
    /// `agrees`.
    record Fit(PlanarMap map, double alike, double seen, boolean[] agrees) {}

    /// Improves a map from the pattern's frame to this one.
    Fit from(PlanarMap guess) {
        PlanarMap map = guess;
        for (int k = pattern.levels().size() - 1; k >= 0; k--) {
            map = level(pattern.levels().get(k), map);
        }
        return judge(pattern.levels().getFirst(), map);
    }

    /// Only at the finest level, for a guess known to be near.
    Fit fine(PlanarMap guess) {
        Pattern.Level l = pattern.levels().getFirst();
        return judge(l, level(l, guess));
    }

    private PlanarMap level(Pattern.Level l, PlanarMap guess) {
        PlanarMap map = guess;
        int n = l.size();
        float[] seen = new float[n];
        float[] left = new float[n];
        double[] weights = new double[n];
        Arrays.fill(weights, 1);
        for (int round = 0; round < ROUNDS; round++) {
            pattern.read(l, frame, map, l.level() == 0, seen);
            double spread = differences(l, seen, weights, left);
            if (!(spread >= 0)) {
                return map;
            }
            weigh(left, spread, round < MILD_ROUNDS, weights);
            double[] step = step(l, left, weights);
            if (step.length == 0) {
                return map;
            }
            PlanarMap taken = about(freedom.step(step));
            if (!taken.invertible()) {
                return map;
            }
            PlanarMap next = map.after(taken.inverse());
            double moved = moved(map, next);
            map = next;
            if (!(moved > STILL_PX * (1 << l.level()))) {
                break;
            }
        }
        return map;
    }

    /// A step about the unit circle as one of the pattern's frame.
    private PlanarMap about(PlanarMap step) {
        double r = pattern.radiusPx();
        PlanarMap in = new PlanarMap(1 / r, 0, -pattern.centre().x() / r, 0, 1 / r, -pattern.centre().y() / r, 0, 0, 1);
        return in.inverse().after(step).after(in);
    }

    private double moved(PlanarMap a, PlanarMap b) {
        double r = pattern.radiusPx();
        double most = 0;
        for (Point p : new Point[] {pattern.centre(), pattern.centre().plus(new Point(r, r)), pattern.centre().plus(new Point(-r, r))}) {
            most = Math.max(most, a.map(p).minus(b.map(p)).length());
        }
        return most;
    }

    /// `left = (seen − offset) / gain − pattern` with gain and offset of the weighted least squares; returns a robust deviation of it, −1
    /// for nothing alike.
    private static double differences(Pattern.Level l, float[] seen, double[] weights, float[] left) {
        double w = 0;
        double t = 0;
        double s = 0;
        double tt = 0;
        double ts = 0;
        for (int i = 0; i < seen.length; i++) {
            if (!Float.isNaN(seen[i])) {
                w += weights[i];
                t += weights[i] * l.value()[i];
                s += weights[i] * seen[i];
                tt += weights[i] * l.value()[i] * l.value()[i];
                ts += weights[i] * l.value()[i] * seen[i];
            }
        }
        double spread = tt - t * t / w;
        double gain = spread > 1e-12 ? (ts - t * s / w) / spread : 1;
        if (!(w > 0) || !(gain > 0.02)) {
            return -1;
        }
        double offset = (s - gain * t) / w;
        float over = (float) (1 / gain);
        float under = (float) (offset / gain);
        for (int i = 0; i < seen.length; i++) {
            left[i] = seen[i] * over - under - l.value()[i];
        }
        // Some of them tell their middle well enough.
        int every = Math.max(1, seen.length / SOME);
        float[] sizes = new float[seen.length / every + 1];
        int n = 0;
        for (int i = 0; i < seen.length; i += every) {
            if (!Float.isNaN(left[i])) {
                sizes[n++] = Math.abs(left[i]);
            }
        }
        Arrays.sort(sizes, 0, n);
        return Math.max(1.4826 * sizes[n / 2], LEAST_NOISE / Math.max(gain, 0.05) / 2);
    }

    private static void weigh(float[] left, double spread, boolean mild, double[] weights) {
        for (int i = 0; i < left.length; i++) {
            double u = Math.abs(left[i]) / spread;
            if (Float.isNaN(left[i])) {
                weights[i] = 0;
            } else if (mild) {
                weights[i] = u <= 2 ? 1 : 2 / u;
            } else {
                weights[i] = u >= TUKEY ? 0 : Math.pow(1 - u * u / (TUKEY * TUKEY), 2);
            }
        }
    }

    /// The step of least squares; empty where the pattern holds nothing to go by.
    private double[] step(Pattern.Level l, float[] left, double[] weights) {
        int m = freedom.count();
        double[][] normal = new double[m][m + 1];
        float[] weighed = new float[left.length];
        for (int a = 0; a < m; a++) {
            float[] steep = l.steep()[a];
            for (int i = 0; i < weighed.length; i++) {
                weighed[i] = weights[i] > 0 ? (float) weights[i] * steep[i] : 0;
            }
            for (int b = a; b < m; b++) {
                normal[a][b] = product(weighed, l.steep()[b]);
            }
            normal[a][m] = product(weighed, left);
        }
        double trace = 0;
        for (int a = 0; a < m; a++) {
            trace += normal[a][a];
            for (int b = 0; b < a; b++) {
                normal[a][b] = normal[b][a];
            }
        }
        for (int a = 0; a < m; a++) {
            normal[a][a] += DAMPING * trace / m + 1e-12;
        }
        return Solve.linear(normal).orElse(new double[0]);
    }

    /// The sum of products; where the first is 0 the second may be anything.
    private static double product(float[] a, float[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] == 0 ? 0 : (double) a[i] * b[i];
        }
        return sum;
    }

    private Fit judge(Pattern.Level l, PlanarMap map) {
        int n = l.size();
        float[] seen = new float[n];
        float[] left = new float[n];
        double[] weights = new double[n];
        Arrays.fill(weights, 1);
        pattern.read(l, frame, map, true, seen);
        boolean[] agrees = new boolean[n];
        double spread = 0;
        for (int round = 0; round < 4; round++) {
            spread = differences(l, seen, weights, left);
            if (!(spread >= 0)) {
                return new Fit(map, 0, 0, agrees);
            }
            weigh(left, spread, round < 2, weights);
        }
        double limit = Math.max(AGREES * l.deviation(), 2 * LEAST_NOISE);
        int some = 0;
        for (int i = 0; i < n; i++) {
            agrees[i] = Math.abs(left[i]) < limit;
            some += agrees[i] ? 1 : 0;
        }
        return new Fit(map, alike(l, seen, agrees), some / (double) Math.max(1, n), agrees);
    }

    private static double alike(Pattern.Level l, float[] seen, boolean[] of) {
        Likeness all = new Likeness();
        for (int i = 0; i < seen.length; i++) {
            if (of[i]) {
                all.add(l.value()[i], seen[i]);
            }
        }
        return all.pairs() > 8 ? Math.clamp(all.correlation(), 0, 1) : 0;
    }
}
