package org.scenothesis.core.match;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Robust;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;

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
    @Nullable Gains measure(Picture take, PlanarMap map) {
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
        double[] ours = new double[3];
        double[] theirs = new double[3];
        double[] low = {1e9, 1e9, 1e9};
        double high = 0;
        for (int k = 0; k < BLOCK * BLOCK; k++) {
            int i = x + k % BLOCK;
            int j = y + k / BLOCK;
            Tap tap = Tap.of(map.map(i + 0.5, j + 0.5), take.width(), take.height());
            for (int c = 0; c < 3; c++) {
                double v = reference.colours().get(c).at(i, j);
                double u = tap.value(take.colours().get(c).data());
                ours[c] += v / (BLOCK * BLOCK);
                theirs[c] += u / (BLOCK * BLOCK);
                low[c] = Math.min(low[c], v);
                high = Math.max(high, Math.max(v, u));
            }
        }
        for (int c = 0; c < 3; c++) {
            // Edges would turn a leftover shift into a brightness change.
            if (!(ours[c] > DARKEST && theirs[c] > DARKEST / 2 && high < BRIGHTEST && low[c] > 0.5 * ours[c])) {
                return false;
            }
            logs[c][n] = Math.log(theirs[c] / ours[c]) / Math.log(2);
        }
        return true;
    }

    /// Where a value between four pixels is read, once for all channels; the edge is held.
    private record Tap(int at, int right, int below, float across, float down) {
        static Tap of(Point p, int width, int height) {
            double fx = Math.max(0, Math.min(width - 1, p.x() - 0.5));
            double fy = Math.max(0, Math.min(height - 1, p.y() - 0.5));
            int x = (int) fx;
            int y = (int) fy;
            return new Tap(y * width + x, x + 1 < width ? 1 : 0, y + 1 < height ? width : 0, (float) (fx - x), (float) (fy - y));
        }

        float value(float[] d) {
            float top = d[at] + across * (d[at + right] - d[at]);
            float low = d[at + below] + across * (d[at + below + right] - d[at + below]);
            return top + down * (low - top);
        }
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
        return Robust.median(Arrays.copyOf(near, m));
    }
}
