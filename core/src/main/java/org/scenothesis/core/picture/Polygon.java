package org.scenothesis.core.picture;

import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.Check;

/// A closed outline in pixel coordinates, filled by the even-odd rule.
public record Polygon(List<Point> corners) {
    public Polygon {
        Check.that(corners.size() >= 3, "a polygon needs at least 3 corners, had " + corners.size());
        corners = List.copyOf(corners);
    }

    /// An upright rectangle, in pixels from the outer corner of the first.
    public static Polygon rectangle(double left, double top, double right, double bottom) {
        return new Polygon(List.of(
                new Point(left, top), new Point(right, top), new Point(right, bottom), new Point(left, bottom)));
    }

    /// The same for a picture scaled by these factors.
    public Polygon scaled(double kx, double ky) {
        return new Polygon(corners.stream().map(p -> new Point(p.x() * kx, p.y() * ky)).toList());
    }

    /// Coverage of every pixel, 4×4 samples each: 1 inside, 0 outside.
    public Plane coverage(int width, int height, Bands bands) {
        Plane out = Plane.of(width, height);
        bands.run(height, (from, to, band) -> {
            double[] crossings = new double[corners.size()];
            for (int y = from; y < to; y++) {
                for (int s = 0; s < 4; s++) {
                    addLine(y, y + (s + 0.5) / 4, crossings, out);
                }
            }
        });
        return out;
    }

    private void addLine(int y, double at, double[] crossings, Plane out) {
        int n = 0;
        for (int i = 0; i < corners.size(); i++) {
            Point p = corners.get(i);
            Point q = corners.get((i + 1) % corners.size());
            if ((p.y() <= at) != (q.y() <= at)) {
                crossings[n++] = p.x() + (at - p.y()) / (q.y() - p.y()) * (q.x() - p.x());
            }
        }
        Arrays.sort(crossings, 0, n);
        for (int k = 0; k + 1 < n; k += 2) {
            fill(out, y, crossings[k], crossings[k + 1]);
        }
    }

    private static void fill(Plane out, int y, double from, double to) {
        double lo = Math.clamp(from, 0, out.width());
        double hi = Math.clamp(to, 0, out.width());
        for (int x = (int) lo; x < Math.min(out.width(), (int) Math.ceil(hi)); x++) {
            out.data()[y * out.width() + x] += (float) (Math.min(hi, x + 1) - Math.max(lo, x)) / 4;
        }
    }
}
