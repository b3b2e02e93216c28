package org.scenothesis.core.picture;

import java.util.List;
import org.scenothesis.core.Check;

/// Bends planes by a field of small shifts.
///
/// - The field is asked at every eighth pixel and goes in straight lines between; cubic interpolation (Keys 1981, a = −0.5), edges held.
/// - It is not filtered where it shrinks much: it is for bends, not for making small.
public final class Displace {
    private static final int STEP = 8;

    private Displace() {}

    /// Where the value of a pixel comes from: how far from it, in pixels.
    @FunctionalInterface
    public interface Field {
        Point at(double x, double y);
    }

    /// Planes of one shape into as many of the same shape: `out(x, y) = in((x, y) + field(x, y))`.
    ///
    /// @throws IllegalArgumentException if the shapes differ
    public static void into(List<Plane> in, Field field, List<Plane> out, Bands bands) {
        Plane first = in.getFirst();
        Check.that(in.size() == out.size(), "as many planes must come out as go in");
        in.forEach(first::requireShape);
        out.forEach(first::requireShape);
        int w = first.width();
        int across = (w + STEP - 1) / STEP + 1;
        bands.run(first.height(), (from, to, band) -> {
            Taps taps = new Taps(w, first.height());
            Line above = new Line(across);
            Line below = new Line(across);
            for (int y = from; y < to; y++) {
                above.fill(field, y / STEP * STEP);
                below.fill(field, y / STEP * STEP + STEP);
                double down = (y % STEP) / (double) STEP;
                for (int x = 0; x < w; x++) {
                    double dx = between(above.x, below.x, x, down);
                    double dy = between(above.y, below.y, x, down);
                    taps.at(x + 0.5 + dx, y + 0.5 + dy);
                    for (int c = 0; c < in.size(); c++) {
                        out.get(c).data()[y * w + x] = taps.value(in.get(c).data());
                    }
                }
            }
        });
    }

    private static double between(double[] above, double[] below, int x, double down) {
        int i = x / STEP;
        double t = (x % STEP) / (double) STEP;
        double high = above[i] + t * (above[i + 1] - above[i]);
        double low = below[i] + t * (below[i + 1] - below[i]);
        return high + down * (low - high);
    }

    /// The field along one row, at every eighth pixel.
    private static final class Line {
        private final double[] x;
        private final double[] y;
        private int row = -1;

        Line(int n) {
            x = new double[n + 1];
            y = new double[n + 1];
        }

        void fill(Field f, int at) {
            if (row == at) {
                return;
            }
            row = at;
            for (int i = 0; i < x.length; i++) {
                Point p = f.at(i * STEP + 0.5, at + 0.5);
                x[i] = p.x();
                y[i] = p.y();
            }
        }
    }
}
