package org.scenothesis.core.background;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Robust;
import org.scenothesis.core.background.BackgroundReport.CameraWork;
import org.scenothesis.core.background.BackgroundReport.Move;
import org.scenothesis.core.cameratrack.FeatureTrack;
import org.scenothesis.core.cameratrack.Parallax;
import org.scenothesis.core.cameratrack.PointFollower;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.match.FrameLock;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.match.LockMeter;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;

/// Measures footage as a background, frame by frame; frames come in their own order.
///
/// - Every frame is placed against one before it, a new one when too little of it is seen any more, and the moves are put together.
/// - Whether near and far things move differently is asked of points that are followed, a window of frames at a time.
/// - Memory: four frames, and the points of a window.
public final class BackgroundMeter {
    private static final double SEEN_AGAIN = 0.45;
    private static final double STILL_PX = 0.5;
    private static final double JITTER_PX = 0.35;
    private static final double DRIFT_SHARE = 0.012;
    private static final double ZOOM_PERCENT = 0.4;
    private static final double PARALLAX_PX = 0.6;
    /// What grows or turns is followed less well the farther it goes.
    private static final double PARALLAX_SHARE = 0.0012;
    private static final int WINDOW = 48;
    private static final double PLACED = 0.7;
    private static final double CHANGED = 0.16;
    private static final double BLACK = 0.035;

    private final Bands bands;
    private final List<@Nullable Move> moves = new ArrayList<>();
    private final List<Double> stops = new ArrayList<>();
    private final List<Double> own = new ArrayList<>();
    private final Busy.Count busy = new Busy.Count();
    private final List<Double> parallax = new ArrayList<>();
    private final List<Point> steps = new ArrayList<>();
    private PointFollower points = new PointFollower();
    private @Nullable LockMeter meter;
    private @Nullable AnalysisFrame reference;
    private PlanarMap base = PlanarMap.identity();
    private double exposure;
    private BackgroundReport.Bars bars = new BackgroundReport.Bars(0, 0, 0, 0);
    private @Nullable AnalysisFrame before;
    private @Nullable AnalysisFrame last;
    private PlanarMap beforeMap = PlanarMap.identity();
    private double beforeExposure;
    private int width;
    private int height;

    /// Of footage whose frames come now; `bands` run its work.
    public BackgroundMeter(Bands bands) {
        this.bands = bands;
    }

    /// The next frame.
    public void next(AnalysisFrame f) {
        follow(f);
        LockMeter m = meter;
        if (m == null || reference == null) {
            width = f.luma().width() * f.reduced();
            height = f.luma().height() * f.reduced();
            bars = bars(f.luma(), f.reduced());
            refer(f, PlanarMap.identity(), 0);
            moves.add(new Move(0, 0, 0, 0));
            stops.add(0.0);
            return;
        }
        FrameLock lock = m.measure(f);
        if ((!lock.found() || lock.usedShare() < SEEN_AGAIN) && before != null) {
            // From the frame before it is seen better; what was put together up to there stays.
            refer(before, beforeMap, beforeExposure);
            lock = Objects.requireNonNull(meter).measure(f);
        }
        Gains g = lock.gains();
        PlanarMap map = lock.map().after(base);
        double stop = g == null ? Double.NaN : exposure + g.stops();
        if (!lock.found()) {
            moves.add(null);
        } else {
            moves.add(move(map));
            // Of what was not placed the light says nothing either.
            if (!Double.isNaN(stop)) {
                stops.add(stop);
            }
            double moved = moving(f, lock, g);
            if (!Double.isNaN(moved)) {
                own.add(moved);
            }
            before = f;
            beforeMap = map;
            beforeExposure = Double.isNaN(stop) ? exposure : stop;
        }
    }

    private void follow(AnalysisFrame f) {
        points.next(f.luma());
        if (points.frames() == WINDOW) {
            looked(f, parallax, steps);
            points = new PointFollower();
            points.next(f.luma());
        }
        last = f;
    }

    private void looked(AnalysisFrame f, List<Double> left, List<Point> went) {
        List<FeatureTrack> traces = points.traces();
        Parallax.of(traces, points.frames(), f.luma().width()).forEach(p -> left.add(p * f.reduced()));
        Parallax.steps(traces, points.frames()).forEach(s -> went.add(s.times(f.reduced())));
    }

    private void refer(AnalysisFrame f, PlanarMap map, double at) {
        meter = new LockMeter(f, bands);
        reference = f;
        base = map;
        exposure = at;
    }

    private Move move(PlanarMap m) {
        Point c = new Point(width / 2.0, height / 2.0);
        Point s = m.shiftAt(c.x(), c.y());
        Point a = m.map(c.plus(new Point(width / 4.0, 0))).minus(m.map(c.minus(new Point(width / 4.0, 0))));
        return new Move(s.x(), s.y(), Math.toDegrees(Math.atan2(a.y(), a.x())), 100 * (a.length() / (width / 2.0) - 1));
    }

    /// The share of the picture that is another once the camera's move and the exposure are taken back.
    private double moving(AnalysisFrame f, FrameLock lock, @Nullable Gains g) {
        AnalysisFrame ref = Objects.requireNonNull(reference);
        double k = ref.small().width() / (double) width;
        double m = ref.small().height() / (double) height;
        PlanarMap down = new PlanarMap(k, 0, 0, 0, m, 0, 0, 0, 1);
        PlanarMap went = down.after(lock.map()).after(down.inverse());
        Plane now = Resample.warp(f.small().g(), went, bands);
        Plane then = ref.small().g();
        double gain = g == null ? 1 : g.g();
        int all = 0;
        int other = 0;
        boolean still = base.equals(PlanarMap.identity());
        PlanarMap back = still ? base : base.inverse();
        for (int i = 0; i < then.data().length; i++) {
            double a = then.data()[i] * gain;
            double b = now.data()[i];
            // What has left the picture is not another.
            Point at = went.map(i % then.width() + 0.5, i / then.width() + 0.5);
            boolean inside = at.x() > 1 && at.y() > 1 && at.x() < then.width() - 1 && at.y() < then.height() - 1;
            if (inside && a > 0.004 && b > 0.004 && a < 0.95) {
                boolean another = Math.abs(a - b) > CHANGED * Math.max(a, b) + 0.004;
                all++;
                other += another ? 1 : 0;
                Point first = still ? new Point(i % then.width() / k, i / then.width() / m)
                        : back.map((i % then.width() + 0.5) / k, (i / then.width() + 0.5) / m);
                busy.add(first.x() / width, first.y() / height, another);
            }
        }
        return all < then.data().length / 10 ? Double.NaN : (double) other / all;
    }

    /// Rows and columns at the edges that are black all along.
    private static BackgroundReport.Bars bars(Plane p, int reduced) {
        int top = 0;
        while (top < p.height() / 3 && black(p, 0, top, 1, 0, p.width())) {
            top++;
        }
        int bottom = 0;
        while (bottom < p.height() / 3 && black(p, 0, p.height() - 1 - bottom, 1, 0, p.width())) {
            bottom++;
        }
        int leftX = 0;
        while (leftX < p.width() / 3 && black(p, leftX, 0, 0, 1, p.height())) {
            leftX++;
        }
        int right = 0;
        while (right < p.width() / 3 && black(p, p.width() - 1 - right, 0, 0, 1, p.height())) {
            right++;
        }
        boolean dark = top >= p.height() / 3;
        return dark ? new BackgroundReport.Bars(0, 0, 0, 0) : new BackgroundReport.Bars(top * reduced, right * reduced, bottom * reduced,
                leftX * reduced);
    }

    private static boolean black(Plane p, int x, int y, int dx, int dy, int n) {
        for (int i = 0; i < n; i++) {
            if (p.at(x + i * dx, y + i * dy) > BLACK) {
                return false;
            }
        }
        return true;
    }

    /// What came of the frames so far; of a single picture the camera stands still.
    public BackgroundReport report() {
        double[] s = stops.stream().mapToDouble(Double::doubleValue).toArray();
        return new BackgroundReport(camera(), moves, own.isEmpty() ? moves.size() <= 1 ? 0 : Double.NaN : Robust.median(own),
                moves.size() < 3
                || s.length < 3 ? Double.NaN : flicker(s), bars, width, height, moves.size() <= 1 ? Busy.none(1, 1) : busy.busy());
    }

    private CameraWork camera() {
        List<Move> all = new ArrayList<>();
        moves.stream().filter(Objects::nonNull).forEach(all::add);
        if (moves.size() == 1) {
            return CameraWork.STILL;
        }
        if (all.size() < PLACED * moves.size() || all.size() < 2) {
            return CameraWork.UNKNOWN;
        }
        double far = all.stream().mapToDouble(m -> Math.hypot(m.x(), m.y())).max().orElse(0);
        double zoom = all.stream().mapToDouble(m -> Math.abs(m.zoomPercent())).max().orElse(0);
        double roll = all.stream().mapToDouble(m -> Math.abs(m.rollDeg())).max().orElse(0);
        boolean moved = far > STILL_PX || zoom > ZOOM_PERCENT || roll > 0.06;
        if (!moved) {
            return CameraWork.STILL;
        }
        List<Double> apart = new ArrayList<>(parallax);
        List<Point> went = new ArrayList<>(steps);
        if (last != null) {
            looked(last, apart, went);
        }
        double jitter = Math.hypot(jitter(went.stream().mapToDouble(Point::x).toArray()),
                jitter(went.stream().mapToDouble(Point::y).toArray()));
        // A hand's sway shows some parallax too; what travels shows more of it than it shakes.
        if (!apart.isEmpty() && Robust.median(apart) > Math.max(Math.max(PARALLAX_PX, PARALLAX_SHARE * width), jitter)) {
            return CameraWork.PARALLAX;
        }
        if (jitter > JITTER_PX) {
            return CameraWork.HAND_HELD;
        }
        // What the zoom itself moves at a quarter of the picture, against the shift of its middle.
        if (zoom > ZOOM_PERCENT && zoom / 100 * width / 4 > far) {
            return CameraWork.PUSH;
        }
        return far < DRIFT_SHARE * width ? CameraWork.DRIFT : CameraWork.PAN;
    }

    /// How far a way is from smooth: half the median by which one step differs from the next, which an even move does by nothing.
    private static double jitter(double[] steps) {
        if (steps.length < 3) {
            return 0;
        }
        double[] d = new double[steps.length - 1];
        for (int i = 0; i < d.length; i++) {
            d[i] = Math.abs(steps[i + 1] - steps[i]);
        }
        Arrays.sort(d);
        return d[d.length / 2] / 2;
    }

    /// From the lowest to the highest of a series about its line.
    private static double flicker(double[] v) {
        int n = v.length;
        double mx = (n - 1) / 2.0;
        double my = Arrays.stream(v).average().orElse(0);
        double sxy = 0;
        double sxx = 0;
        for (int i = 0; i < n; i++) {
            sxy += (i - mx) * (v[i] - my);
            sxx += (i - mx) * (i - mx);
        }
        double low = Double.MAX_VALUE;
        double high = -Double.MAX_VALUE;
        for (int i = 0; i < n; i++) {
            double r = v[i] - my - sxy / sxx * (i - mx);
            low = Math.min(low, r);
            high = Math.max(high, r);
        }
        return high - low;
    }
}
