package org.scenothesis.core.match;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.vision.Features;

/// Measures the frames of a take against one reference; frames come in any order, in their own order fastest.
///
/// - Accuracy: see `docs/measurements.md`; a few thousandths of a pixel on rendered takes with noise and compression.
/// - Memory: the reference's patches and one frame.
public final class LockMeter {
    /// So many points are looked for where frame after frame is measured.
    public static final int POINTS = 560;
    /// A single picture has no others to be averaged with.
    public static final int POINTS_OF_STILL = 2240;
    private static final double POINTS_OF_CELL = 3.9;
    private static final double ENOUGH = 0.30;
    /// Fewer points than this agree on something by chance.
    private static final int FEWEST = 12;
    /// What every point leaves over at least.
    private static final double LEAST_LEFT_PX = 0.02;
    /// A set so bare that a shift would be this uncertain says nothing of the camera.
    private static final double TOO_BARE_PX = 0.3;
    private static final double CORNER_BARE_PX = 0.75;

    private final AnalysisFrame reference;
    private final PatchTracker tracker;
    private final ToneMeter tone;
    private final FocusMeter focus;
    private final Bands bands;
    private PlanarMap last = PlanarMap.identity();

    /// Compares frames with `reference`, which all must be as large as; small pictures get fewer cells.
    public LockMeter(AnalysisFrame reference, Bands bands) {
        this(reference, POINTS, bands);
    }

    /// The same with so many points.
    public LockMeter(AnalysisFrame reference, int points, Bands bands) {
        this.reference = reference;
        this.bands = bands;
        // Small pictures have room for fewer cells.
        int cells = Math.clamp(Math.min(reference.luma().width(), reference.luma().height()) / 24, 1,
                (int) Math.round(Math.sqrt(points / POINTS_OF_CELL)));
        tracker = new PatchTracker(reference.luma(), Features.spread(reference.luma(), points, cells));
        tone = new ToneMeter(reference.small());
        focus = new FocusMeter(reference.luma(), tracker.points());
    }

    /// @throws IllegalArgumentException if the take's size differs from the reference's
    public FrameLock measure(AnalysisFrame take) {
        Check.that(take.luma().sameShape(reference.luma()), "the take is not of the reference's size");
        double[] to = new double[2 * tracker.size()];
        MotionFit.@Nullable Fit fit = fit(take, last, to);
        if (fit == null || share(fit.used()) < ENOUGH) {
            PlanarMap coarse = coarse(take);
            MotionFit.@Nullable Fit other = coarse == null ? null : fit(take, coarse, to);
            fit = better(fit, other);
        }
        double off = fit == null ? Double.MAX_VALUE : deviation(fit);
        // Few points may agree on a motion that is anything at all in the corners.
        if (fit == null || off > TOO_BARE_PX || !(off * fit.cornerTimes() < CORNER_BARE_PX)) {
            return FrameLock.lost(gains(take, PlanarMap.identity()));
        }
        last = fit.map();
        PlanarMap s = fit.similarity();
        double k = reference.reduced();
        // Very large stills are looked at reduced: their shifts are told in whole pixels.
        PlanarMap up = new PlanarMap(k, 0, 0, 0, k, 0, 0, 0, 1);
        return new FrameLock(
                k == 1 ? fit.map() : up.after(fit.map()).after(up.inverse()),
                fit.parameters() == 2 ? 0 : Math.toDegrees(Math.atan2(s.d(), s.a())),
                fit.parameters() == 2 ? 0 : 100 * (Math.hypot(s.a(), s.d()) - 1),
                k * fit.residualPx(), share(fit.used()), k * off, k * fit.rowsPx(), k * fit.rowsOffPx(),
                focus.softer(take.luma(), fit.map(), fit.used()), gains(take, fit.map()), true);
    }

    private MotionFit.@Nullable Fit fit(AnalysisFrame take, PlanarMap guess, double[] to) {
        tracker.follow(take.luma(), guess, to, bands);
        return new MotionFit(tracker.points(), tracker.weights(), to, take.luma().width(), take.luma().height()).solve();
    }

    private static MotionFit.@Nullable Fit better(MotionFit.@Nullable Fit a, MotionFit.@Nullable Fit b) {
        if (a == null || b == null) {
            return a == null ? b : a;
        }
        return share(b.used()) > share(a.used()) ? b : a;
    }

    private @Nullable PlanarMap coarse(AnalysisFrame take) {
        List<Point> points = tracker.points();
        if (points.isEmpty()) {
            return null;
        }
        List<@Nullable Point> went = Features.follow(reference.luma(), take.luma(), points);
        double[] to = new double[2 * points.size()];
        for (int i = 0; i < points.size(); i++) {
            Point p = went.get(i);
            to[2 * i] = p == null ? Double.NaN : p.x();
            to[2 * i + 1] = p == null ? Double.NaN : p.y();
        }
        MotionFit.@Nullable Fit fit = new MotionFit(points, tracker.weights(), to, take.luma().width(), take.luma().height()).solve();
        return fit == null ? null : fit.map();
    }

    /// Points that agree by chance are few among many; what the rest leaves over tells how well the few know.
    private static double deviation(MotionFit.Fit fit) {
        double share = share(fit.used());
        double many = share * fit.used().length;
        return many < FEWEST ? Double.MAX_VALUE
                : Math.max(LEAST_LEFT_PX, fit.residualPx()) / Math.sqrt(many - fit.parameters() / 2.0) / share;
    }

    private static double share(boolean[] used) {
        int n = 0;
        for (boolean u : used) {
            n += u ? 1 : 0;
        }
        return used.length == 0 ? 0 : n / (double) used.length;
    }

    private @Nullable Gains gains(AnalysisFrame take, PlanarMap map) {
        double k = reference.small().width() / (double) reference.luma().width();
        double m = reference.small().height() / (double) reference.luma().height();
        PlanarMap down = new PlanarMap(k, 0, 0, 0, m, 0, 0, 0, 1);
        return tone.measure(take.small(), down.after(map).after(down.inverse()));
    }

    /// Mean of several lockFrames of one locked camera: the same reference with less noise.
    public static AnalysisFrame mean(List<AnalysisFrame> lockFrames) {
        AnalysisFrame first = lockFrames.getFirst();
        if (lockFrames.size() == 1) {
            return first;
        }
        Plane luma = first.luma().copy();
        for (AnalysisFrame g : lockFrames.subList(1, lockFrames.size())) {
            for (int i = 0; i < luma.data().length; i++) {
                luma.data()[i] += g.luma().data()[i];
            }
        }
        for (int i = 0; i < luma.data().length; i++) {
            luma.data()[i] /= lockFrames.size();
        }
        return new AnalysisFrame(luma, first.small(), first.reduced());
    }
}
