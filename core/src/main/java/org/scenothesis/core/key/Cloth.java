package org.scenothesis.core.key;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;

/// Where the cloth lies in the picture: the edge that a subject must keep away from, and a proposal for the first garbage matte.
///
/// - The convex hull of the largest patch of cloth colour and of others nearly as large, since a subject may stand between them; found at a
///   few hundred pixels' width.
/// - Where a cloth reaches three sides of the picture, what is not cloth at the fourth is as likely the subject as the floor: it is an edge
///   of the cloth, but nothing to cut away.
/// - Source of the hull: monotone chain, Andrew 1979.
final class Cloth {
    private static final int WIDTH = 240;
    private static final double NEARLY = 0.15;
    private static final double SIDE_SHARE = 0.2;
    private static final int MOST_CORNERS = 12;
    private static final double FULL = 0.97;
    private static final double SOFT_PX = 2;

    private Cloth() {}

    /// - `likely`: 1 where a pixel has the cloth's colour. Null where the cloth fills the picture, or there is none.
    static @Nullable Polygon outline(Plane likely) {
        int step = Math.max(1, likely.width() / WIDTH);
        int w = likely.width() / step;
        int h = likely.height() / step;
        if (w < 4 || h < 4) {
            return null;
        }
        boolean[] cloth = reduced(likely, step, w, h);
        boolean[] kept = large(cloth, w, h);
        List<Point> hull = hull(corners(kept, w, h));
        if (hull.size() < 3) {
            return null;
        }
        List<Point> few = fewer(hull);
        double area = area(few);
        return area > FULL * w * h ? null : new Polygon(few.stream().map(p -> new Point(p.x() * step, p.y() * step)).toList());
    }

    private static boolean[] reduced(Plane likely, int step, int w, int h) {
        boolean[] out = new boolean[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int n = 0;
                for (int j = 0; j < step; j++) {
                    for (int i = 0; i < step; i++) {
                        n += likely.at(x * step + i, y * step + j) > 0.5f ? 1 : 0;
                    }
                }
                out[y * w + x] = 2 * n > step * step;
            }
        }
        return out;
    }

    /// The largest patch and those nearly as large.
    private static boolean[] large(boolean[] cloth, int w, int h) {
        int[] patch = new int[cloth.length];
        List<Integer> sizes = new ArrayList<>(List.of(0));
        for (int i = 0; i < cloth.length; i++) {
            if (cloth[i] && patch[i] == 0) {
                sizes.add(flood(cloth, patch, w, h, i, sizes.size()));
            }
        }
        int most = sizes.stream().max(Comparator.naturalOrder()).orElse(0);
        boolean[] out = new boolean[cloth.length];
        for (int i = 0; i < cloth.length; i++) {
            out[i] = patch[i] > 0 && sizes.get(patch[i]) >= Math.max(4, NEARLY * most);
        }
        return out;
    }

    private static int flood(boolean[] cloth, int[] patch, int w, int h, int start, int number) {
        Deque<Integer> open = new ArrayDeque<>(List.of(start));
        patch[start] = number;
        int size = 0;
        while (!open.isEmpty()) {
            int i = open.pop();
            size++;
            int x = i % w;
            int[] near = {x > 0 ? i - 1 : i, x < w - 1 ? i + 1 : i, i >= w ? i - w : i, i < w * (h - 1) ? i + w : i};
            for (int n : near) {
                if (cloth[n] && patch[n] == 0) {
                    patch[n] = number;
                    open.push(n);
                }
            }
        }
        return size;
    }

    /// How many sides of the picture an outline follows for a fair part of their length.
    static int sidesReached(Polygon outline, int width, int height) {
        double[] along = new double[4];
        double near = 0.012 * width + 1;
        List<Point> p = outline.corners();
        for (int i = 0; i < p.size(); i++) {
            Point a = p.get(i);
            Point b = p.get((i + 1) % p.size());
            along[0] += a.x() < near && b.x() < near ? Math.abs(a.y() - b.y()) / height : 0;
            along[1] += a.x() > width - near && b.x() > width - near ? Math.abs(a.y() - b.y()) / height : 0;
            along[2] += a.y() < near && b.y() < near ? Math.abs(a.x() - b.x()) / width : 0;
            along[3] += a.y() > height - near && b.y() > height - near ? Math.abs(a.x() - b.x()) / width : 0;
        }
        int n = 0;
        for (double d : along) {
            n += d > SIDE_SHARE ? 1 : 0;
        }
        return n;
    }

    /// An outline drawn in from the cloth's edges, which are never quite in one place nor quite the cloth's colour; where the cloth goes on
    /// beyond the picture it stays.
    static Polygon within(Polygon outline, int width, int height) {
        List<Point> p = outline.corners();
        int n = p.size();
        double in = Math.max(1, width / WIDTH) + SOFT_PX;
        double turn = Math.signum(turned(p));
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Point a = p.get((i + n - 1) % n);
            Point b = p.get(i);
            Point c = p.get((i + 1) % n);
            Point before = inward(a, b, onFrame(a, b, width, height) ? 0 : turn * in);
            Point after = inward(b, c, onFrame(b, c, width, height) ? 0 : turn * in);
            double sine = cross(a, b, c) / Math.max(1e-9, b.minus(a).length() * c.minus(b).length());
            out.add(Math.abs(sine) < 1e-3 ? b.plus(after) : b.plus(corner(b.minus(a), before, c.minus(b), after)));
        }
        return area(out) < area(p) / 2 || Math.signum(turned(out)) != turn ? outline : new Polygon(out);
    }

    /// How far an edge moves, square to itself.
    private static Point inward(Point a, Point b, double by) {
        Point d = b.minus(a);
        double length = Math.max(1e-9, d.length());
        return new Point(-d.y() / length * by, d.x() / length * by);
    }

    /// Where two edges of these directions meet that were moved from a common corner.
    private static Point corner(Point along, Point moved, Point next, Point nextMoved) {
        Point apart = nextMoved.minus(moved);
        double t = (apart.x() * next.y() - apart.y() * next.x()) / (along.x() * next.y() - along.y() * next.x());
        return moved.plus(along.times(t));
    }

    /// Whether an edge runs along the picture's own.
    static boolean onFrame(Point a, Point b, int width, int height) {
        double near = 0.012 * width + 1;
        return a.x() < near && b.x() < near || a.y() < near && b.y() < near || a.x() > width - near && b.x() > width - near
                || a.y() > height - near && b.y() > height - near;
    }

    /// The four corners of the first and last kept cell of every row.
    private static List<Point> corners(boolean[] kept, int w, int h) {
        List<Point> out = new ArrayList<>();
        for (int y = 0; y < h; y++) {
            int first = -1;
            int last = -1;
            for (int x = 0; x < w; x++) {
                if (kept[y * w + x]) {
                    first = first < 0 ? x : first;
                    last = x;
                }
            }
            if (first >= 0) {
                out.addAll(List.of(new Point(first, y), new Point(first, y + 1), new Point(last + 1, y), new Point(last + 1, y + 1)));
            }
        }
        return out;
    }

    private static List<Point> hull(List<Point> points) {
        List<Point> sorted = points.stream().distinct().sorted(Comparator.comparingDouble(Point::x).thenComparingDouble(Point::y)).toList();
        List<Point> low = chain(sorted);
        List<Point> high = chain(sorted.reversed());
        List<Point> out = new ArrayList<>(low.subList(0, Math.max(0, low.size() - 1)));
        out.addAll(high.subList(0, Math.max(0, high.size() - 1)));
        return out;
    }

    private static List<Point> chain(List<Point> sorted) {
        List<Point> out = new ArrayList<>();
        for (Point p : sorted) {
            while (out.size() >= 2 && cross(out.get(out.size() - 2), out.getLast(), p) <= 0) {
                out.removeLast();
            }
            out.add(p);
        }
        return out;
    }

    private static double cross(Point a, Point b, Point c) {
        return (b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x());
    }

    /// Leaves out corners that say least, so that a person can move the rest.
    private static List<Point> fewer(List<Point> hull) {
        List<Point> out = new ArrayList<>(hull);
        while (out.size() > 4) {
            int least = -1;
            double smallest = Double.MAX_VALUE;
            for (int i = 0; i < out.size(); i++) {
                double lost = Math.abs(cross(out.get((i + out.size() - 1) % out.size()), out.get(i), out.get((i + 1) % out.size()))) / 2;
                if (lost < smallest) {
                    smallest = lost;
                    least = i;
                }
            }
            if (out.size() <= MOST_CORNERS && smallest > 0.002 * area(out)) {
                break;
            }
            out.remove(least);
        }
        return out;
    }

    static double area(List<Point> p) {
        return Math.abs(turned(p));
    }

    /// The area, positive or negative by the way round.
    private static double turned(List<Point> p) {
        double sum = 0;
        for (int i = 0; i < p.size(); i++) {
            Point a = p.get(i);
            Point b = p.get((i + 1) % p.size());
            sum += a.x() * b.y() - b.x() * a.y();
        }
        return sum / 2;
    }
}
