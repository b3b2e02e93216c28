package org.scenothesis.core.picture;

import java.util.Optional;
import org.scenothesis.core.Check;

/// A plane-to-plane projective map (homography), row-major, in pixel coordinates with the corner origin.
///
/// Source: Hartley & Zisserman, Multiple View Geometry, 2nd ed., section 2.3.
public record PlanarMap(
        double a, double b, double c, double d, double e, double f, double g, double h, double i) {
    public PlanarMap {
        Check.that(
                Double.isFinite(a + b + c + d + e + f + g + h + i), "a planar map needs finite entries");
    }

    /// Every point stays.
    public static PlanarMap identity() {
        return new PlanarMap(1, 0, 0, 0, 1, 0, 0, 0, 1);
    }

    /// Every point moves by pixels.
    public static PlanarMap shift(double x, double y) {
        return new PlanarMap(1, 0, x, 0, 1, y, 0, 0, 1);
    }

    /// Turns by `angle` radians (clockwise on screen) and scales about `centre`, then shifts.
    public static PlanarMap similarity(double scale, double angle, Point centre, Point shift) {
        double cos = scale * Math.cos(angle);
        double sin = scale * Math.sin(angle);
        return new PlanarMap(
                cos, -sin, centre.x() - cos * centre.x() + sin * centre.y() + shift.x(),
                sin, cos, centre.y() - sin * centre.x() - cos * centre.y() + shift.y(),
                0, 0, 1);
    }

    /// The map that takes four points to four others; empty if three of them lie on a line.
    public static Optional<PlanarMap> fourPoints(Point[] from, Point[] to) {
        double[][] m = new double[8][9];
        for (int k = 0; k < 4; k++) {
            double x = from[k].x();
            double y = from[k].y();
            double u = to[k].x();
            double v = to[k].y();
            m[2 * k] = new double[] {x, y, 1, 0, 0, 0, -u * x, -u * y, u};
            m[2 * k + 1] = new double[] {0, 0, 0, x, y, 1, -v * x, -v * y, v};
        }
        return Solve.linear(m).map(s -> new PlanarMap(s[0], s[1], s[2], s[3], s[4], s[5], s[6], s[7], 1));
    }

    /// Where a point goes, in pixels; infinite or not a number on the map's horizon.
    public Point map(double x, double y) {
        double w = denominator(x, y);
        return new Point(mapX(x, y) / w, mapY(x, y) / w);
    }

    /// Where a point goes, in pixels; infinite or not a number on the map's horizon.
    public Point map(Point p) {
        return map(p.x(), p.y());
    }

    /// How far (x, y) moves.
    public Point shiftAt(double x, double y) {
        Point p = map(x, y);
        return new Point(p.x() - x, p.y() - y);
    }

    double mapX(double x, double y) {
        return a * x + b * y + c;
    }

    double mapY(double x, double y) {
        return d * x + e * y + f;
    }

    double denominator(double x, double y) {
        return g * x + h * y + i;
    }

    /// First `first`, then this.
    public PlanarMap after(PlanarMap first) {
        PlanarMap o = first;
        return new PlanarMap(
                a * o.a + b * o.d + c * o.g, a * o.b + b * o.e + c * o.h, a * o.c + b * o.f + c * o.i,
                d * o.a + e * o.d + f * o.g, d * o.b + e * o.e + f * o.h, d * o.c + e * o.f + f * o.i,
                g * o.a + h * o.d + i * o.g, g * o.b + h * o.e + i * o.h, g * o.c + h * o.f + i * o.i);
    }

    /// The same map from pixels of the piece at `from` to pixels of the piece at `to`.
    public PlanarMap between(Box from, Box to) {
        return shift(-to.left(), -to.top()).after(this).after(shift(from.left(), from.top()));
    }

    /// Whether there is a way back: it does not squash the plane to a line.
    public boolean invertible() {
        return Math.abs(determinant()) > 1e-14;
    }

    private double determinant() {
        return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
    }

    /// The way back.
    ///
    /// @throws IllegalArgumentException if the map squashes the plane to a line
    public PlanarMap inverse() {
        double det = determinant();
        Check.that(invertible(), "the planar map has no inverse");
        return new PlanarMap(
                (e * i - f * h) / det, (c * h - b * i) / det, (b * f - c * e) / det,
                (f * g - d * i) / det, (a * i - c * g) / det, (c * d - a * f) / det,
                (d * h - e * g) / det, (b * g - a * h) / det, (a * e - b * d) / det);
    }
}
