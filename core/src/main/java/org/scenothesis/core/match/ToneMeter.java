package org.scenothesis.core.match;

import java.util.Arrays;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Resample;

/// Measures by how much a take is brighter and differently coloured than a reference.
///
/// - The most common log ratio over static, unclipped blocks: its peak is found by the half-sample mode, then averaged closely around,
///   so that a subject, a moved chair or a dimmed lamp over half the frame does not pull it.
/// - Source: half-sample mode, Bickel & Frühwirth 2006.
final class ToneMeter {
    private static final int BLOCK = 2;
    private static final double DARKEST = 0.004;
    private static final double BRIGHTEST = 0.85;
    private static final double NEAR_STOPS = 0.12;

    private final Picture reference;

    ToneMeter(Picture reference) {
        this.reference = reference;
    }

    /// Gains take over reference; `map` leads from reference to take in pixels of these small pictures. Null when nothing can be compared.
    @org.jspecify.annotations.Nullable Gains measure(Picture take, PlanarMap map) {
        int w = reference.width() / BLOCK;
        int h = reference.height() / BLOCK;
        double[][] logs = new double[3][w * h];
        double[] luma = new double[w * h];
        int n = 0;
        for (int y = 1; y < h - 1; y++) {
            // Every other block, as on a chessboard, says as much.
            for (int x = 1 + (y & 1); x < w - 1; x += 2) {
                if (block(take, map, x * BLOCK, y * BLOCK, logs, n)) {
                    luma[n] = 0.3 * logs[0][n] + 0.6 * logs[1][n] + 0.1 * logs[2][n];
                    n++;
                }
            }
        }
        if (n < 24) {
            return null;
        }
        double[] sorted = Arrays.copyOf(luma, n);
        double centre = rest(sorted, mode(sorted));
        double[] gains = new double[3];
        for (int c = 0; c < 3; c++) {
            gains[c] = Math.pow(2, near(logs[c], luma, n, centre));
        }
        return new Gains(gains[0], gains[1], gains[2]);
    }

    private boolean block(Picture take, PlanarMap map, int x, int y, double[][] logs, int n) {
        for (int c = 0; c < 3; c++) {
            Plane r = reference.colours().get(c);
            Plane t = take.colours().get(c);
            double a = 0;
            double b = 0;
            double lo = Double.MAX_VALUE;
            double hi = 0;
            for (int j = 0; j < BLOCK; j++) {
                for (int i = 0; i < BLOCK; i++) {
                    double v = r.at(x + i, y + j);
                    var to = map.map(x + i + 0.5, y + j + 0.5);
                    double u = Resample.linear(t, to.x(), to.y());
                    a += v;
                    b += u;
                    lo = Math.min(lo, v);
                    hi = Math.max(hi, Math.max(v, u));
                }
            }
            a /= BLOCK * BLOCK;
            b /= BLOCK * BLOCK;
            // Edges would turn a leftover shift into a brightness change.
            if (!(a > DARKEST && b > DARKEST / 2 && hi < BRIGHTEST && lo > 0.5 * a)) {
                return false;
            }
            logs[c][n] = Math.log(b / a) / Math.log(2);
        }
        return true;
    }

    /// Half-sample mode.
    static double mode(double[] v) {
        Arrays.sort(v);
        int from = 0;
        int n = v.length;
        while (n > 16) {
            int half = (n + 1) / 2;
            int best = from;
            for (int i = from; i + half <= from + n; i++) {
                if (v[i + half - 1] - v[i] < v[best + half - 1] - v[best]) {
                    best = i;
                }
            }
            from = best;
            n = half;
        }
        return v[from + n / 2];
    }

    /// Moves a window of sorted values along to its own median until it rests there.
    private static double rest(double[] sorted, double peak) {
        double centre = peak;
        for (int round = 0; round < 6; round++) {
            int from = place(sorted, centre - NEAR_STOPS);
            int to = place(sorted, centre + NEAR_STOPS);
            if (to <= from) {
                break;
            }
            centre = sorted[(from + to) / 2];
        }
        return centre;
    }

    private static int place(double[] sorted, double v) {
        int i = Arrays.binarySearch(sorted, v);
        return i < 0 ? -i - 1 : i;
    }

    /// Median of the values whose luminance lies near the centre.
    private static double near(double[] values, double[] luma, int n, double centre) {
        double[] near = new double[n];
        int m = 0;
        for (int i = 0; i < n; i++) {
            if (Math.abs(luma[i] - centre) < NEAR_STOPS) {
                near[m++] = values[i];
            }
        }
        return median(near, m);
    }

    private static double median(double[] v, int n) {
        Arrays.sort(v, 0, n);
        return n == 0 ? 0 : (v[(n - 1) / 2] + v[n / 2]) / 2;
    }
}
