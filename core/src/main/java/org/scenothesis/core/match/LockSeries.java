package org.scenothesis.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// Sums up the frames of a take: medians, the bump, slow drift apart from jumps.
///
/// The bump is the split of the shift series with the largest step between the medians before and after, taken back to the first frame that left
/// the earlier position (binary segmentation, Scott & Knott 1974, with medians for robustness).
public final class LockSeries {
    private static final double LEAST_BUMP_PX = 0.12;
    private static final int WINDOW = 6;
    private static final double LEAST_LEFT_PX = 0.03;

    private final int width;
    private final int height;
    private final List<FrameLock> frames;
    private final List<Integer> numbers;

    /// - `numbers`: the frame number of each measured frame, ascending.
    public LockSeries(int width, int height, List<FrameLock> frames, List<Integer> numbers) {
        Check.that(!frames.isEmpty(), "a lock series needs at least one frame");
        Check.that(frames.size() == numbers.size(), "every frame needs its number");
        this.width = width;
        this.height = height;
        this.frames = List.copyOf(frames);
        this.numbers = List.copyOf(numbers);
    }

    public LockReport report() {
        List<FrameLock> good = frames.stream().filter(FrameLock::found).toList();
        List<LockReport.Sample> series = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            Point s = frames.get(i).map().shiftAt(width / 2.0, height / 2.0);
            series.add(new LockReport.Sample(numbers.get(i), s.x(), s.y(), frames.get(i).gains().stops()));
        }
        if (good.isEmpty()) {
            return new LockReport(
                    frames.size(), 0, Point.ZERO, List.of(Point.ZERO, Point.ZERO, Point.ZERO, Point.ZERO), 0, 0, 0, Gains.UNITY, null, 0, 0, 0, series, false);
        }
        int bump = bump(series);
        List<FrameLock> settled = bump < 0 ? good : frames.subList(Math.min(frames.size() - 1, bump + 1), frames.size()).stream().filter(FrameLock::found).toList();
        if (settled.isEmpty()) {
            settled = good;
        }
        List<Point> corners = new ArrayList<>();
        for (double[] c : new double[][] {{0, 0}, {width, 0}, {width, height}, {0, height}}) {
            corners.add(shift(settled, c[0], c[1]));
        }
        double[] stops = series.stream().mapToDouble(LockReport.Sample::exposureStops).toArray();
        double jump = jump(stops);
        return new LockReport(
                frames.size(),
                median(good, FrameLock::usedShare),
                shift(settled, width / 2.0, height / 2.0),
                corners,
                median(settled, FrameLock::rollDeg),
                median(settled, FrameLock::zoomPercent),
                median(settled, FrameLock::residualPx),
                new Gains(median(good, f -> f.gains().r()), median(good, f -> f.gains().g()), median(good, f -> f.gains().b())),
                bump < 0 ? null : numbers.get(bump),
                bump < 0 ? 0 : step(series, bump),
                slope(stops),
                jump,
                series,
                true);
    }

    private static Point shift(List<FrameLock> frames, double x, double y) {
        return new Point(median(frames, f -> f.map().shiftAt(x, y).x()), median(frames, f -> f.map().shiftAt(x, y).y()));
    }

    private static double median(List<FrameLock> frames, ToDoubleFunction<FrameLock> of) {
        return median(frames.stream().mapToDouble(of).toArray());
    }

    static double median(double[] values) {
        double[] v = values.clone();
        Arrays.sort(v);
        return v.length == 0 ? 0 : (v[(v.length - 1) / 2] + v[v.length / 2]) / 2;
    }

    /// Index of the first frame that left the position of those before, or −1.
    private int bump(List<LockReport.Sample> s) {
        int n = s.size();
        double noise = noise(s);
        int split = -1;
        double most = Math.max(LEAST_BUMP_PX, 6 * noise);
        for (int i = 2; i <= n - 2; i++) {
            double step = step(s, i);
            if (step > most) {
                most = step;
                split = i;
            }
        }
        if (split < 0) {
            return -1;
        }
        return first(s, split, noise);
    }

    /// Goes back from the strongest step to the first frame that left the earlier position: compression may carry an old picture along for a while.
    private static int first(List<LockReport.Sample> s, int split, double noise) {
        int from = Math.max(0, split - 6 * WINDOW);
        Point before = place(s, from, Math.max(from + 1, from + (split - from) / 2));
        Point step = place(s, split, Math.min(s.size(), split + WINDOW)).minus(before);
        double left = Math.max(LEAST_LEFT_PX, Math.max(4 * noise, 0.08 * step.length()));
        int first = split;
        for (int i = Math.min(s.size() - 1, split + 1); i > from; i--) {
            Point off = new Point(s.get(i).x(), s.get(i).y()).minus(before);
            boolean there = (off.x() * step.x() + off.y() * step.y()) / step.length() > left;
            if (there) {
                first = i;
            } else if (i < split) {
                break;
            }
        }
        return first;
    }

    /// How far the median of the frames after `i` stands from that of the frames before.
    private static double step(List<LockReport.Sample> s, int i) {
        return place(s, i, Math.min(s.size(), i + WINDOW)).minus(place(s, Math.max(0, i - WINDOW), i)).length();
    }

    private static Point place(List<LockReport.Sample> s, int from, int to) {
        List<LockReport.Sample> part = s.subList(from, to);
        return new Point(
                median(part.stream().mapToDouble(LockReport.Sample::x).toArray()), median(part.stream().mapToDouble(LockReport.Sample::y).toArray()));
    }

    private static double noise(List<LockReport.Sample> s) {
        double[] d = new double[Math.max(0, s.size() - 1)];
        for (int i = 0; i < d.length; i++) {
            d[i] = Math.hypot(s.get(i + 1).x() - s.get(i).x(), s.get(i + 1).y() - s.get(i).y());
        }
        return median(d);
    }

    private static double jump(double[] stops) {
        double most = 0;
        for (int i = 2; i <= stops.length - 2; i++) {
            double before = median(Arrays.copyOfRange(stops, Math.max(0, i - 3), i));
            double after = median(Arrays.copyOfRange(stops, i, Math.min(stops.length, i + 3)));
            if (Math.abs(after - before) > Math.abs(most)) {
                most = after - before;
            }
        }
        return most;
    }

    /// Change over the whole take by a straight line, in the values' unit.
    private static double slope(double[] v) {
        int n = v.length;
        if (n < 3) {
            return 0;
        }
        double mid = (n - 1) / 2.0;
        double mean = Arrays.stream(v).average().orElse(0);
        double num = 0;
        double den = 0;
        for (int i = 0; i < n; i++) {
            num += (i - mid) * (v[i] - mean);
            den += (i - mid) * (i - mid);
        }
        return num / den * (n - 1);
    }
}
