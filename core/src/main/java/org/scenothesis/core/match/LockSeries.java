package org.scenothesis.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.function.ToDoubleFunction;
import org.scenothesis.core.Check;
import org.scenothesis.core.Robust;
import org.scenothesis.core.picture.Point;

/// Sums up the frames of a take: stretches between bumps with their medians, slow drift apart from jumps. Frames that could not be placed
/// say nothing.
///
/// The bump is the split of the shift series with the largest step between the medians before and after, taken back to the first frame that
/// left the earlier position (binary segmentation, Scott & Knott 1974, with medians for robustness).
public final class LockSeries {
    private static final int TELLING = 12;
    private static final int SMOOTH_FRAMES = 24;
    /// A bump goes at least this part of its way within two frames; what sways goes a third of it.
    private static final double SUDDEN = 0.42;
    /// So many deviations nine of ten lie within.
    private static final double NOISE = 1.64;
    private static final double LEAST_BUMP_PX = 0.12;
    private static final int WINDOW = 6;
    /// How often stretches are split again: a take bumped more than a handful of times is one long bump.
    private static final int DEEPEST = 3;
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

    /// The report over all frames so far.
    public LockReport report() {
        return report(frames.size());
    }

    /// - `all`: frames the take has, of which these are some.
    public LockReport report(int all) {
        List<LockReport.Sample> series = new ArrayList<>();
        List<Placed> placed = new ArrayList<>();
        List<Double> stops = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            FrameLock f = frames.get(i);
            Gains g = f.gains();
            Point s = f.map().shiftAt(width / 2.0, height / 2.0);
            Double exposure = g == null ? null : g.stops();
            series.add(new LockReport.Sample(numbers.get(i), f.found() ? s.x() : null, f.found() ? s.y() : null, exposure));
            if (f.found()) {
                placed.add(new Placed(numbers.get(i), s, f));
            }
            if (exposure != null) {
                stops.add(exposure);
            }
        }
        double[] known = stops.stream().mapToDouble(Double::doubleValue).toArray();
        boolean enough = known.length >= 3;
        return new LockReport(all, segments(placed), enough ? slope(known) : null, enough ? jump(known) : null, series);
    }

    /// A frame that could be placed, and its shift at the centre.
    private record Placed(int frame, Point shift, FrameLock lock) {}

    private List<LockReport.Segment> segments(List<Placed> placed) {
        List<Integer> starts = new ArrayList<>();
        split(placed, 0, placed.size(), 0, starts);
        List<LockReport.Segment> out = new ArrayList<>();
        if (placed.isEmpty()) {
            return out;
        }
        starts.sort(null);
        starts.addFirst(0);
        for (int k = 0; k < starts.size(); k++) {
            int from = starts.get(k);
            int to = k + 1 < starts.size() ? starts.get(k + 1) : placed.size();
            // The first frame of a bump is still on its way.
            List<Placed> still = k > 0 && to - from > 1 ? placed.subList(from + 1, to) : placed.subList(from, to);
            int first = k == 0 ? numbers.getFirst() : placed.get(from).frame;
            int last = k + 1 < starts.size() ? placed.get(to).frame - 1 : numbers.getLast();
            LockReport.Segment s = segment(first, last, still.stream().map(Placed::lock).toList(), 0);
            double step = out.isEmpty() ? 0 : s.shift().minus(out.getLast().shift()).length();
            out.add(segment(first, last, still.stream().map(Placed::lock).toList(), step));
        }
        return out;
    }

    private void split(List<Placed> placed, int from, int to, int depth, List<Integer> starts) {
        int bump = depth > DEEPEST || to - from < 4 ? -1 : bump(placed.subList(from, to), depth == 0 ? 2 : WINDOW);
        if (bump > 0) {
            starts.add(from + bump);
            split(placed, from, from + bump, depth + 1, starts);
            split(placed, from + bump, to, depth + 1, starts);
        }
    }

    private LockReport.Segment segment(int from, int to, List<FrameLock> still, double step) {
        List<Point> corners = new ArrayList<>();
        for (double[] c : new double[][] {{0, 0}, {width, 0}, {width, height}, {0, height}}) {
            corners.add(shift(still, c[0], c[1]));
        }
        List<Gains> gains = still.stream().map(FrameLock::gains).filter(Objects::nonNull).toList();
        Gains middle = gains.isEmpty() ? null : new Gains(
                Robust.median(gains.stream().mapToDouble(Gains::r).toArray()), Robust.median(gains.stream().mapToDouble(Gains::g)
                .toArray()),
                Robust.median(gains.stream().mapToDouble(Gains::b).toArray()));
        return new LockReport.Segment(
                from, to, median(still, FrameLock::usedShare), shift(still, width / 2.0, height / 2.0), corners,
                median(still, FrameLock::rollDeg),
                median(still, FrameLock::zoomPercent), median(still, FrameLock::residualPx), median(still, FrameLock::deviationPx), middle,
                step,
                Math.max(swing(still, f -> f.map().shiftAt(width / 2.0, height / 2.0).x(), FrameLock::deviationPx),
                swing(still, f -> f.map().shiftAt(width / 2.0, height / 2.0).y(), FrameLock::deviationPx)),
                swing(still, FrameLock::rowsPx, FrameLock::rowsOffPx), focus(still));
    }

    private static LockReport.Focus focus(List<FrameLock> frames) {
        double[] v = frames.stream().mapToDouble(FrameLock::softer).filter(s -> s > 0).sorted().toArray();
        return v.length == 0 ? new LockReport.Focus(null, null) : new LockReport.Focus(v[(int) (0.1 * (v.length - 1))],
                v[(int) Math.ceil(0.9 * (v.length - 1))]);
    }

    private static Point shift(List<FrameLock> frames, double x, double y) {
        return new Point(median(frames, f -> f.map().shiftAt(x, y).x()), median(frames, f -> f.map().shiftAt(x, y).y()));
    }

    private static double median(List<FrameLock> frames, ToDoubleFunction<FrameLock> of) {
        return Robust.median(frames.stream().mapToDouble(of).toArray());
    }

    /// Half of what nine of ten frames lie within, less what their noise alone would make of it.
    private static double swing(List<FrameLock> frames, ToDoubleFunction<FrameLock> of, ToDoubleFunction<FrameLock> off) {
        if (frames.size() < TELLING) {
            return 0;
        }
        double half = Robust.halfOfMost(frames.stream().mapToDouble(of).toArray());
        double noise = NOISE * median(frames, off);
        return Math.sqrt(Math.max(0, half * half - noise * noise));
    }

    /// Index of the first frame that left the position of those before, or −1; frames nearer than `margin` to an end tell nothing.
    private static int bump(List<Placed> s, int margin) {
        int n = s.size();
        double noise = noise(s);
        int split = -1;
        double most = Math.max(LEAST_BUMP_PX, 6 * noise);
        for (int i = margin; i <= n - margin; i++) {
            double step = step(s, i);
            if (step > most) {
                most = step;
                split = i;
            }
        }
        if (split < 0 || n >= SMOOTH_FRAMES && smooth(s, split, most)) {
            return -1;
        }
        return first(s, split, noise);
    }

    /// Whether the picture goes over gradually, as one that sways does: within two frames it goes little of the way.
    private static boolean smooth(List<Placed> s, int split, double step) {
        double most = 0;
        for (int i = Math.max(1, split - WINDOW); i < Math.min(s.size() - 1, split + WINDOW); i++) {
            most = Math.max(most, s.get(i + 1).shift.minus(s.get(i - 1).shift).length());
        }
        return most < SUDDEN * step;
    }

    /// Goes back from the strongest step to the first frame that left the earlier position: compression may carry an old picture along for
    /// a while.
    private static int first(List<Placed> s, int split, double noise) {
        int from = Math.max(0, split - 6 * WINDOW);
        Point before = place(s, from, Math.max(from + 1, from + (split - from) / 2));
        Point step = place(s, split, Math.min(s.size(), split + WINDOW)).minus(before);
        double left = Math.max(LEAST_LEFT_PX, Math.max(4 * noise, 0.08 * step.length()));
        int first = -1;
        for (int i = Math.min(s.size() - 1, split + WINDOW); i > from; i--) {
            Point off = s.get(i).shift.minus(before);
            boolean there = (off.x() * step.x() + off.y() * step.y()) / step.length() > left;
            if (there) {
                first = i;
            } else if (first >= 0 && i < split) {
                break;
            }
        }
        return first < 0 ? split : first;
    }

    /// How far the median of the frames after `i` stands from that of the frames before.
    private static double step(List<Placed> s, int i) {
        return place(s, i, Math.min(s.size(), i + WINDOW)).minus(place(s, Math.max(0, i - WINDOW), i)).length();
    }

    private static Point place(List<Placed> s, int from, int to) {
        List<Placed> part = s.subList(from, to);
        return new Point(
                Robust.median(part.stream().mapToDouble(p -> p.shift.x()).toArray()),
                Robust.median(part.stream().mapToDouble(p -> p.shift.y())
                .toArray()));
    }

    private static double noise(List<Placed> s) {
        double[] d = new double[Math.max(0, s.size() - 1)];
        for (int i = 0; i < d.length; i++) {
            d[i] = s.get(i + 1).shift.minus(s.get(i).shift).length();
        }
        return Robust.median(d);
    }

    private static double jump(double[] stops) {
        double most = 0;
        for (int i = 2; i <= stops.length - 2; i++) {
            double before = Robust.median(Arrays.copyOfRange(stops, Math.max(0, i - 3), i));
            double after = Robust.median(Arrays.copyOfRange(stops, i, Math.min(stops.length, i + 3)));
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
