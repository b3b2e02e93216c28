package org.scenothesis.core.follow;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// What the followed thing looks like: its pixels in one frame with their slopes, at the frame's size and at halves of it.
///
/// - `centre`, `radiusPx`: what steps are taken about; `levels`: finest first, coarser ones only as long as enough pixels are left.
record Pattern(Point centre, double radiusPx, List<Level> levels) {
    /// More pixels than this say nothing new.
    private static final int MOST = 16_000;
    private static final int FEWEST = 60;

    /// Pixels of one level: places in pixels of the whole size, values; `steep`: how each value changes with every number of a step;
    /// `deviation`: how lively it is.
    record Level(int level, double[] x, double[] y, float[] value, float[][] steep, double deviation) {
        int size() {
            return x.length;
        }
    }

    /// Learns all within a box for which `inside` holds of its places.
    static Pattern learn(FrameView sight, Box box, Point centre, Freedom freedom, BiPredicate<Double, Double> inside) {
        double radius = Math.max(4, Math.max(box.width(), box.height()) / 2.0);
        List<Level> levels = new ArrayList<>();
        for (int k = 0; k <= sight.deepest(); k++) {
            Level l = level(sight.levels().get(k), k, box, new Steps(freedom, centre, radius), inside);
            if (k > 0 && l.size() < FEWEST) {
                break;
            }
            levels.add(l);
        }
        return new Pattern(centre, radius, List.copyOf(levels));
    }

    /// In which numbers a step is told, about what, and what is 1 there.
    private record Steps(Freedom freedom, Point centre, double radius) {}

    private static Level level(Plane p, int level, Box box, Steps steps, BiPredicate<Double, Double> inside) {
        int size = 1 << level;
        // One pixel to every side is needed for the slopes.
        Box at = new Box(box.left() / size, box.top() / size, box.right() / size + 1, box.bottom() / size + 1).within(Box.all(p).grown(-1));
        int every = 1;
        while ((long) at.width() * at.height() / ((long) every * every) > MOST) {
            every++;
        }
        List<int[]> places = new ArrayList<>();
        for (int y = at.top(); y < at.bottom(); y += every) {
            for (int x = at.left(); x < at.right(); x += every) {
                if (inside.test((x + 0.5) * size, (y + 0.5) * size)) {
                    places.add(new int[] {x, y});
                }
            }
        }
        int n = places.size();
        Level l = new Level(level, new double[n], new double[n], new float[n], new float[steps.freedom.count()][n], 0);
        double[] slopes = new double[steps.freedom.count()];
        for (int i = 0; i < n; i++) {
            int x = places.get(i)[0];
            int y = places.get(i)[1];
            l.x[i] = (x + 0.5) * size;
            l.y[i] = (y + 0.5) * size;
            l.value[i] = p.at(x, y);
            double across = steps.radius * (p.at(x + 1, y) - p.at(x - 1, y)) / (2 * size);
            double down = steps.radius * (p.at(x, y + 1) - p.at(x, y - 1)) / (2 * size);
            steps.freedom.slopes((l.x[i] - steps.centre.x()) / steps.radius, (l.y[i] - steps.centre.y()) / steps.radius, across, down,
                    slopes);
            for (int k = 0; k < slopes.length; k++) {
                l.steep[k][i] = (float) slopes[k];
            }
        }
        return new Level(level, l.x, l.y, l.value, l.steep, deviation(l.value));
    }

    private static double deviation(float[] v) {
        double sum = 0;
        double squares = 0;
        for (float f : v) {
            sum += f;
            squares += (double) f * f;
        }
        double mean = v.length == 0 ? 0 : sum / v.length;
        return v.length == 0 ? 0 : Math.sqrt(Math.max(0, squares / v.length - mean * mean));
    }

    /// The values of a level where `map` takes its pixels in a frame; NaN outside of it.
    void read(Level l, FrameView frame, PlanarMap map, boolean fine, float[] out) {
        int deeper = Math.clamp(l.level + Math.round(Math.log(size(map)) / Math.log(2)), 0, frame.deepest());
        Plane p = frame.levels().get(deeper);
        double k = 1.0 / (1 << deeper);
        double[] x = l.x;
        double[] y = l.y;
        for (int i = 0; i < x.length; i++) {
            double far = k / (map.g() * x[i] + map.h() * y[i] + map.i());
            double u = (map.a() * x[i] + map.b() * y[i] + map.c()) * far;
            double v = (map.d() * x[i] + map.e() * y[i] + map.f()) * far;
            out[i] = fine ? FrameView.cubic(p, u, v) : FrameView.linear(p, u, v);
        }
    }

    /// How much larger a map makes the thing at its centre.
    double size(PlanarMap map) {
        double step = 0.5 * radiusPx;
        Point a = map.map(centre.x() - step, centre.y()).minus(map.map(centre.x() + step, centre.y()));
        Point b = map.map(centre.x(), centre.y() - step).minus(map.map(centre.x(), centre.y() + step));
        double area = Math.abs(a.x() * b.y() - a.y() * b.x());
        return Math.max(1e-3, Math.sqrt(area) / (2 * step));
    }

    /// How far a map turns it at its centre, in degrees clockwise.
    double turnDeg(PlanarMap map) {
        double step = 0.5 * radiusPx;
        Point a = map.map(centre.x() + step, centre.y()).minus(map.map(centre.x() - step, centre.y()));
        Point b = map.map(centre.x(), centre.y() + step).minus(map.map(centre.x(), centre.y() - step));
        return Math.toDegrees(Math.atan2(a.y() - b.x(), a.x() + b.y()));
    }
}
