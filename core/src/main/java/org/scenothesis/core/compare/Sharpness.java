package org.scenothesis.core.compare;

import java.util.Arrays;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;

/// How blurred the edges of a picture are.
///
/// - Of the clearest edges, across each: from a quarter to three quarters of the step there are 1.349 standard deviations of its blur. The
///   sharper third of them tells of the picture; the rest is soft by itself.
final class Sharpness {
    private static final int REACH = 7;
    private static final double STEP = 0.25;
    private static final int MOST = 4000;
    private static final double LEAST_STEP = 0.06;
    private static final double SHARP = 0.3;
    private static final int ENOUGH = 20;

    private Sharpness() {}

    /// Deviation of the blur in pixels; NaN where there are no clear edges.
    static double blurPx(Picture p) {
        Plane luma = Luminance.of(p);
        int w = luma.width();
        int h = luma.height();
        double[] widths = new double[MOST];
        int n = 0;
        int stride = Math.max(1, (int) Math.sqrt((double) w * h / 120_000));
        for (int y = REACH + 1; y < h - REACH - 1 && n < MOST; y += stride) {
            for (int x = REACH + 1; x < w - REACH - 1 && n < MOST; x += stride) {
                double gx = luma.at(x + 1, y) - luma.at(x - 1, y);
                double gy = luma.at(x, y + 1) - luma.at(x, y - 1);
                double g = Math.hypot(gx, gy);
                if (g < LEAST_STEP) {
                    continue;
                }
                double v = width(luma, new Point(x + 0.5, y + 0.5), new Point(gx / g, gy / g));
                if (!Double.isNaN(v)) {
                    widths[n++] = v;
                }
            }
        }
        if (n < ENOUGH) {
            return Double.NaN;
        }
        double[] v = Arrays.copyOf(widths, n);
        Arrays.sort(v);
        return v[(int) (SHARP * n)];
    }

    private static double width(Plane p, Point at, Point across) {
        int n = (int) (2 * REACH / STEP) + 1;
        double[] v = new double[n];
        for (int i = 0; i < n; i++) {
            Point q = at.plus(across.times(i * STEP - REACH));
            v[i] = Resample.linear(p, q.x(), q.y());
        }
        int m = n / 2;
        // The step ends where it stops rising on both sides.
        int low = m;
        int high = m;
        double flat = 0.02 * (v[n - 1] - v[0]);
        while (low > 0 && v[low] - v[low - 1] > Math.max(0, flat)) {
            low--;
        }
        while (high < n - 1 && v[high + 1] - v[high] > Math.max(0, flat)) {
            high++;
        }
        double step = v[high] - v[low];
        // The steepest place must be here, and the step end within reach.
        if (low == 0 || high == n - 1 || step < LEAST_STEP || v[m] < v[low] + 0.3 * step || v[m] > v[low] + 0.7 * step) {
            return Double.NaN;
        }
        return (crossing(v, low, high, v[low] + 0.75 * step) - crossing(v, low, high, v[low] + 0.25 * step)) * STEP / 1.349;
    }

    private static double crossing(double[] v, int low, int high, double level) {
        for (int i = low; i < high; i++) {
            if (v[i + 1] >= level) {
                return i + (level - v[i]) / Math.max(1e-9, v[i + 1] - v[i]);
            }
        }
        return high;
    }
}
