package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import org.scenothesis.core.picture.Point;

/// A convex outline, its corners in order.
///
/// Source: Andrew 1979 for the hull, Sutherland & Hodgman 1974 for clipping.
public record Polygon(List<Point> corners) {
    public Polygon {
        corners = List.copyOf(corners);
    }

    /// The smallest that holds all points.
    public static Polygon around(Collection<Point> points) {
        if (points.isEmpty()) {
            return new Polygon(List.of());
        }
        List<Point> p = new ArrayList<>(points);
        p.sort(Comparator.comparingDouble(Point::x).thenComparingDouble(Point::y));
        List<Point> out = new ArrayList<>();
        for (int pass = 0; pass < 2; pass++) {
            int start = out.size();
            for (Point q : p) {
                while (out.size() >= start + 2 && cross(out.get(out.size() - 2), out.getLast(), q) <= 0) {
                    out.removeLast();
                }
                out.add(q);
            }
            out.removeLast();
            p = p.reversed();
        }
        return new Polygon(out.isEmpty() ? p.subList(0, Math.min(1, p.size())) : out);
    }

    private static double cross(Point o, Point a, Point b) {
        return (a.x() - o.x()) * (b.y() - o.y()) - (a.y() - o.y()) * (b.x() - o.x());
    }

    /// What of it lies within a rectangle from (0, 0).
    public Polygon within(double width, double height) {
        return cut(1, 0, 0).cut(-1, 0, width).cut(0, 1, 0).cut(0, -1, height);
    }

    /// Keeps where a·x + b·y + c ≥ 0.
    private Polygon cut(double a, double b, double c) {
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < corners.size(); i++) {
            Point p = corners.get(i);
            Point q = corners.get((i + 1) % corners.size());
            double dp = a * p.x() + b * p.y() + c;
            double dq = a * q.x() + b * q.y() + c;
            if (dp >= 0) {
                out.add(p);
            }
            if (dp >= 0 != dq >= 0) {
                double t = dp / (dp - dq);
                out.add(new Point(p.x() + (q.x() - p.x()) * t, p.y() + (q.y() - p.y()) * t));
            }
        }
        return new Polygon(out);
    }

    /// Whether it has no inside.
    public boolean empty() {
        return corners.size() < 3;
    }

    /// How far outside a point is, 0 or less inside.
    public double outside(Point p) {
        double most = Double.NEGATIVE_INFINITY;
        double turn = area() < 0 ? -1 : 1;
        for (int i = 0; i < corners.size(); i++) {
            Point a = corners.get(i);
            Point b = corners.get((i + 1) % corners.size());
            double length = Math.hypot(b.x() - a.x(), b.y() - a.y());
            if (length > 1e-12) {
                most = Math.max(most, -turn * cross(a, b, p) / length);
            }
        }
        return most;
    }

    /// Signed: positive where the corners go from x towards y.
    double area() {
        double sum = 0;
        for (int i = 0; i < corners.size(); i++) {
            Point a = corners.get(i);
            Point b = corners.get((i + 1) % corners.size());
            sum += a.x() * b.y() - b.x() * a.y();
        }
        return sum / 2;
    }

    double lowX() {
        return corners.stream().mapToDouble(Point::x).min().orElse(0);
    }

    double highX() {
        return corners.stream().mapToDouble(Point::x).max().orElse(0);
    }

    double lowY() {
        return corners.stream().mapToDouble(Point::y).min().orElse(0);
    }

    double highY() {
        return corners.stream().mapToDouble(Point::y).max().orElse(0);
    }
}
