package org.scenothesis.core.background;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.background.BackgroundReport.CameraWork;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Verdict;

/// Whether footage can serve as a background, and why; the best of several comes first.
///
/// - `reasons`: every question with its verdict, the worst first; the whole is as good as the worst.
public record Suitability(String name, BackgroundReport report, Wanted wanted, List<Reason> reasons) {
    private static final Limit MOTION_SHARE = new Limit(0.05, 0.25);
    private static final Limit ROOM_SHARE = new Limit(0.03, 0.2);
    private static final Limit FLICKER_STOPS = new Limit(0.03, 0.12);
    /// How many times the picture is enlarged to fill the finished one.
    private static final Limit ENLARGED = new Limit(1.001, 1.6);
    private static final Limit BAR_SHARE = new Limit(0.001, 0.2);

    /// What is asked of a background.
    public enum Question {
        CAMERA,
        OWN_MOTION,
        /// Where the element goes.
        ROOM,
        FLICKER,
        PIXELS,
        BARS,
        PERMISSION
    }

    /// - `value`: in the question's unit; NaN where there is none or it could not be measured.
    public record Reason(Question question, double value, Verdict verdict) {}

    /// What it has to serve for.
    ///
    /// - `widthPx`, `heightPx`: of the finished picture; 0 where that is not decided. `permitted`: whether leave to use it is written down;
    ///   null where it is nobody else's. `room`: where what is laid over it goes, null where nobody said.
    public record Wanted(int widthPx, int heightPx, @Nullable Boolean permitted, Busy.@Nullable Room room) {}

    public Suitability {
        reasons = List.copyOf(reasons);
    }

    /// By what was measured of it.
    public static Suitability of(String name, BackgroundReport r, Wanted wanted) {
        List<Reason> out = new ArrayList<>();
        out.add(new Reason(Question.CAMERA, Double.NaN, camera(r.camera())));
        out.add(judged(Question.OWN_MOTION, r.ownMotionShare(), MOTION_SHARE));
        if (wanted.room != null) {
            Busy busy = r.busy();
            out.add(judged(Question.ROOM, busy == null ? Double.NaN : busy.in(wanted.room), ROOM_SHARE));
        }
        if (r.moves().size() > 1) {
            out.add(judged(Question.FLICKER, r.flickerStops(), FLICKER_STOPS));
        }
        double across = r.width() - r.bars().left() - r.bars().right();
        double up = r.height() - r.bars().top() - r.bars().bottom();
        if (wanted.widthPx > 0 && wanted.heightPx > 0) {
            out.add(judged(Question.PIXELS, Math.max(wanted.widthPx / across, wanted.heightPx / up), ENLARGED));
        }
        out.add(judged(Question.BARS, 1 - across * up / ((double) r.width() * r.height()), BAR_SHARE));
        if (wanted.permitted != null) {
            out.add(new Reason(Question.PERMISSION, Double.NaN, wanted.permitted ? Verdict.HOLDS : Verdict.REDO));
        }
        out.sort(Comparator.comparingInt((Reason x) -> -badness(x.verdict)));
        return new Suitability(name, r, wanted, out);
    }

    private static Reason judged(Question q, double value, Limit limit) {
        return new Reason(q, value, Double.isNaN(value) ? Verdict.NOT_MEASURED : limit.judge(value));
    }

    private static Verdict camera(CameraWork c) {
        return switch (c) {
            case STILL -> Verdict.HOLDS;
            case PUSH, PAN, DRIFT, HAND_HELD -> Verdict.WATCH;
            case PARALLAX -> Verdict.REDO;
            case UNKNOWN -> Verdict.NOT_MEASURED;
        };
    }

    /// As good as its worst.
    public Verdict verdict() {
        return reasons.getFirst().verdict;
    }

    /// Where less moves than where the element was to go; empty where that is quiet enough, was not asked, or is the quietest place there
    /// is.
    public Optional<Busy.Room> quieter() {
        Busy busy = report.busy();
        Busy.Room room = wanted.room;
        if (busy == null || room == null || ROOM_SHARE.judge(busy.in(room)) == Verdict.HOLDS) {
            return Optional.empty();
        }
        return busy.quietest(room).filter(q -> busy.in(q) < 0.7 * busy.in(room));
    }

    /// What is not known may be anything but the worst.
    private static int badness(Verdict v) {
        return switch (v) {
            case HOLDS -> 0;
            case WATCH -> 1;
            case NOT_MEASURED -> 2;
            case REDO -> 3;
        };
    }

    private int total() {
        return reasons.stream().mapToInt(r -> badness(r.verdict)).sum();
    }

    /// The best first: by the worst of each, then by all together, then by how still it is.
    public static List<Suitability> ranked(List<Suitability> all) {
        return all.stream().sorted(Comparator.comparingInt((Suitability s) -> badness(s.verdict())).thenComparingInt(Suitability::total)
                .thenComparingInt(s -> s.report.camera().ordinal())
                .thenComparingDouble(s -> Double.isNaN(s.report.ownMotionShare()) ? 1 : s.report.ownMotionShare())).toList();
    }
}
