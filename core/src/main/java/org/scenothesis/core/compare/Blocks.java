package org.scenothesis.core.compare;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.picture.Picture;

/// Square blocks of a picture of one size: their means, and what is left in each when a slope is taken away.
///
/// - `x`, `y`: of the block's first pixel. `mean`: red, green, blue. `variance`: of the same, about a plane. `texture`: how much of the
///   variance a shift by one pixel still explains, of green.
record Blocks(int side, List<Block> all) {
    record Block(int x, int y, double[] mean, double[] variance, double[] lag) {
        /// The share of green's variance that the next pixel has as well.
        double alike() {
            return variance[1] <= 0 ? 0 : lag[1] / variance[1];
        }
    }

    static Blocks of(Picture p, int side) {
        List<Block> out = new ArrayList<>();
        for (int y = 0; y + side <= p.height(); y += side) {
            for (int x = 0; x + side <= p.width(); x += side) {
                out.add(block(p, x, y, side));
            }
        }
        return new Blocks(side, out);
    }

    private static Block block(Picture p, int x0, int y0, int side) {
        double[] mean = new double[3];
        double[] variance = new double[3];
        double[] lag = new double[3];
        double middle = (side - 1) / 2.0;
        double n = side * side;
        double spread = n * (side * side - 1) / 12.0;
        double[] left = new double[side * side];
        for (int c = 0; c < 3; c++) {
            float[] d = p.colours().get(c).data();
            double sum = 0;
            double sx = 0;
            double sy = 0;
            for (int y = 0; y < side; y++) {
                for (int x = 0; x < side; x++) {
                    double v = d[(y0 + y) * p.width() + x0 + x];
                    sum += v;
                    sx += v * (x - middle);
                    sy += v * (y - middle);
                }
            }
            mean[c] = sum / n;
            double var = 0;
            for (int y = 0; y < side; y++) {
                for (int x = 0; x < side; x++) {
                    double r = d[(y0 + y) * p.width() + x0 + x] - mean[c] - sx / spread * (x - middle) - sy / spread * (y - middle);
                    left[y * side + x] = r;
                    var += r * r;
                }
            }
            double next = 0;
            for (int y = 0; y < side; y++) {
                for (int x = 0; x + 1 < side; x++) {
                    next += left[y * side + x] * left[y * side + x + 1];
                }
            }
            variance[c] = var / (n - 3);
            lag[c] = next / (side * (side - 1.0)) * n / (n - 3);
        }
        return new Block(x0, y0, mean, variance, lag);
    }
}
