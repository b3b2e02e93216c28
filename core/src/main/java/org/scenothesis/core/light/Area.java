package org.scenothesis.core.light;

import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;

/// A marked area of a picture, by its corners in pixels from the outer corner.
public record Area(List<Point> corners) {
    private static final int MOST = 400;
    /// Dark and bright ends that are left out of a mean, so that an edge, a scratch or a gleam does not count.
    private static final double TRIM = 0.1;

    public Area {
        corners = List.copyOf(corners);
        Check.that(corners.size() >= 3, "an area needs three corners");
        corners.forEach(p -> Check.finite("corner", p.x() + p.y()));
    }

    /// Whether a place of the picture lies in it.
    public boolean holds(double x, double y) {
        boolean in = false;
        for (int i = 0, j = corners.size() - 1; i < corners.size(); j = i++) {
            Point a = corners.get(i);
            Point b = corners.get(j);
            if (a.y() > y != b.y() > y && x < (b.x() - a.x()) * (y - a.y()) / (b.y() - a.y()) + a.x()) {
                in = !in;
            }
        }
        return in;
    }

    /// Mean red, green, blue in linear light, without the ends; NaN where none of it lies in the picture.
    public double[] mean(Picture p) {
        double x0 = Math.max(0, corners.stream().mapToDouble(Point::x).min().orElse(0));
        double x1 = Math.min(p.width(), corners.stream().mapToDouble(Point::x).max().orElse(0));
        double y0 = Math.max(0, corners.stream().mapToDouble(Point::y).min().orElse(0));
        double y1 = Math.min(p.height(), corners.stream().mapToDouble(Point::y).max().orElse(0));
        double step = Math.max(1, Math.max(x1 - x0, y1 - y0) / MOST);
        double[][] all = new double[3][MOST * MOST + 4 * MOST];
        int n = 0;
        for (double y = Math.floor(y0) + 0.5; y < y1; y += step) {
            for (double x = Math.floor(x0) + 0.5; x < x1 && n < all[0].length; x += step) {
                if (holds(x, y)) {
                    for (int c = 0; c < 3; c++) {
                        all[c][n] = p.colours().get(c).at((int) x, (int) y);
                    }
                    n++;
                }
            }
        }
        double[] out = new double[3];
        for (int c = 0; c < 3; c++) {
            double[] v = Arrays.copyOf(all[c], n);
            Arrays.sort(v);
            int cut = (int) (TRIM * n);
            out[c] = Arrays.stream(v, cut, n - cut).average().orElse(Double.NaN);
        }
        return out;
    }
}
