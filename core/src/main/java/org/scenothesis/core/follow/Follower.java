package org.scenothesis.core.follow;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// Follows one point, or four corners of something flat, through frames given one after the other, forwards or backwards.
///
/// - Every frame is compared with the one in which the thing was pointed out, so that nothing drifts; only when it has come to look
///   otherwise, with a later one that was sure.
/// - Where it is hidden it is looked for where it would have gone, further around the longer it is away.
/// - Memory: two patterns and one frame, whatever the length of the take.
public final class Follower {
    /// A point is known by what is around it: this part of the picture's shorter side to each side, within bounds.
    private static final double WINDOW = 1 / 18.0;
    private static final int LEAST_WINDOW = 13;
    private static final int MOST_WINDOW = 60;
    /// A panel's own edge helps to place it; beyond it lies what does not move with it.
    private static final double EDGE_PX = 2;
    private static final double FOUND_ALIKE = 0.7;
    private static final double FOUND_SEEN = 0.5;
    private static final double AGAIN_ALIKE = 0.8;
    private static final double AGAIN_SEEN = 0.62;
    /// Around the point itself, as part of the window, more must be seen than not.
    private static final double HEART = 0.3;
    private static final double HEART_SEEN = 0.5;
    /// Below this the pattern has become another one, and a later view of the thing is compared with.
    private static final double STALE = 0.8;
    private static final double SURE = 0.93;
    /// Only then nothing else is looked at: what repeats looks alike one step further too.
    private static final double BEYOND_DOUBT = 0.985;
    private static final double AS_EXPECTED = 0.02;
    private static final double LEAST_REACH = 0.028;
    private static final double FURTHER = 4;
    private static final int SPEED_FRAMES = 5;

    private final List<Point> points;
    private final Freedom freedom;
    private final Bands bands;
    private final Pattern first;
    private @Nullable Pattern later;
    private PlanarMap toLater = PlanarMap.identity();
    private PlanarMap last = PlanarMap.identity();
    private final Deque<Point> path = new ArrayDeque<>();
    private int away;

    /// - `luma`: code values of the frame in which the thing is pointed out. `points`: one, or the four corners of something flat, going
    ///   round.
    ///
    /// @throws IllegalArgumentException if there are not one or four points, or none of the thing lies in the picture
    public Follower(Plane luma, List<Point> points, Bands bands) {
        Check.that(points.size() == 1 || points.size() == 4, "one point can be followed, or four corners");
        this.points = List.copyOf(points);
        this.bands = bands;
        freedom = points.size() == 1 ? Freedom.SIMILARITY : Freedom.PLANE;
        FrameView sight = FrameView.of(luma, bands);
        first = learn(sight, this.points, freedom);
        Check.that(first.levels().getFirst().size() >= 25, "too little of the tracked thing is in the picture");
        path.add(first.centre());
    }

    private static Pattern learn(FrameView sight, List<Point> points, Freedom freedom) {
        if (points.size() == 4) {
            Box box = Box.around(points).grown((int) EDGE_PX + 1);
            return Pattern.learn(sight, box, middle(points), freedom, (x, y) -> within(points, x, y));
        }
        Point p = points.getFirst();
        int half = Math.clamp(Math.round(Math.min(sight.width(), sight.height()) * WINDOW), LEAST_WINDOW, MOST_WINDOW);
        Box box = new Box((int) p.x() - half, (int) p.y() - half, (int) p.x() + half + 1, (int) p.y() + half + 1);
        return Pattern.learn(sight, box, p, freedom, (x, y) -> Math.hypot(x - p.x(), y - p.y()) <= half + 0.5);
    }

    private static Point middle(List<Point> of) {
        Point sum = Point.ZERO;
        for (Point p : of) {
            sum = sum.plus(p);
        }
        return sum.times(1.0 / of.size());
    }

    /// Within the corners or hardly outside.
    private static boolean within(List<Point> corners, double x, double y) {
        boolean left = true;
        boolean right = true;
        for (int i = 0; i < corners.size(); i++) {
            Point a = corners.get(i);
            Point b = corners.get((i + 1) % corners.size()).minus(a);
            double off = (b.x() * (y - a.y()) - b.y() * (x - a.x())) / Math.max(1e-9, b.length());
            left &= off >= -EDGE_PX;
            right &= off <= EDGE_PX;
        }
        return left || right;
    }

    /// What there is in the frame the points were shown in.
    public Followed start(int frame) {
        return new Followed(frame, points, 1, 0, 1);
    }

    /// Finds the thing in the next frame.
    ///
    /// - `frame`: the frame's number, only told on.
    ///
    /// @throws IllegalArgumentException if the frame is not of the size of the first
    public Followed next(Plane luma, int frame) {
        FrameView sight = FrameView.of(luma, bands);
        PlanarMap guess = expected(sight);
        Candidate best = best(sight, guess);
        if (best == null || !best.found) {
            away++;
            return Followed.lost(frame, best == null ? 0 : best.confidence());
        }
        away = 0;
        last = best.map;
        path.addLast(last.map(first.centre()));
        if (path.size() > SPEED_FRAMES) {
            path.removeFirst();
        }
        if (best.ofFirst < STALE && best.confidence() > SURE || later == null && best.confidence() > SURE) {
            renew(sight);
        }
        return new Followed(frame, points.stream().map(last::map).toList(), first.size(last), first.turnDeg(last), best.confidence());
    }

    /// Moving on as it did, but not out of the picture; size and turn as they were.
    private PlanarMap expected(FrameView sight) {
        Point was = last.map(first.centre());
        Point to = was.plus(speed().times(away + 1));
        return PlanarMap.shift(Math.clamp(to.x(), 0, sight.width()) - was.x(), Math.clamp(to.y(), 0, sight.height()) - was.y()).after(last);
    }

    private Point speed() {
        return path.size() < 2 ? Point.ZERO : path.getLast().minus(path.getFirst()).times(1.0 / (path.size() - 1));
    }

    private record Candidate(PlanarMap map, double alike, double seen, double ofFirst, boolean found) {
        double confidence() {
            return Math.clamp(alike * Math.min(1, seen / 0.9), 0, 1);
        }
    }

    /// Where it goes on first; then around there; then further off, where only what is surely it counts.
    private @Nullable Candidate best(FrameView sight, PlanarMap guess) {
        Candidate near = away == 0 ? candidate(sight, guess, true) : null;
        if (near != null && near.found && near.confidence() > BEYOND_DOUBT && path.size() > 2) {
            return near;
        }
        double side = Math.min(sight.width(), sight.height());
        double reach = LEAST_REACH * side + speed().length() * (away == 0 ? 1.5 : 0.5) + away * Math.max(4, 0.3 * speed().length())
                + (path.size() < 3 ? LEAST_REACH * side : 0);
        Candidate around = around(sight, guess, reach, away == 0, near);
        return around != null && around.found ? around
                : around(sight, guess, Math.min(FURTHER * reach, Math.max(sight.width(), sight.height())), false, around);
    }

    private @Nullable Candidate around(FrameView sight, PlanarMap guess, double reach, boolean going, @Nullable Candidate before) {
        Candidate best = before;
        for (Search.Peak p : new Search(first, sight, bands).around(guess, reach)) {
            Candidate c = candidate(sight, p.map(), going);
            best = c != null && (best == null || score(c, guess, reach) > score(best, guess, reach)) ? c : best;
        }
        return best;
    }

    /// Of places that look the same the one where it was to be expected.
    private double score(Candidate c, PlanarMap guess, double reach) {
        double off = c.map.map(first.centre()).minus(guess.map(first.centre())).length();
        return c.confidence() * (c.found ? 2 : 1) - AS_EXPECTED * Math.min(1, off / Math.max(1, reach));
    }

    private @Nullable Candidate candidate(FrameView sight, PlanarMap guess, boolean going) {
        Alignment.Fit fit = new Alignment(first, freedom, sight).from(guess);
        double alike = fit.alike();
        double seen = fit.seen();
        double ofFirst = alike * Math.min(1, seen / 0.9);
        PlanarMap map = fit.map();
        boolean[] agrees = fit.agrees();
        Pattern by = first;
        PlanarMap there = PlanarMap.identity();
        Pattern view = later;
        if (view != null && ofFirst < STALE) {
            Alignment.Fit other = new Alignment(view, freedom, sight).from(guess.after(toLater.inverse()));
            if (other.alike() * other.seen() > alike * seen) {
                alike = other.alike();
                seen = other.seen();
                map = other.map().after(toLater);
                agrees = other.agrees();
                by = view;
                there = toLater;
            }
        }
        Point at = map.map(points.size() == 1 ? points.getFirst() : first.centre());
        if (!(at.x() >= 0 && at.y() >= 0 && at.x() <= sight.width() && at.y() <= sight.height())) {
            return null;
        }
        boolean plausible = plausible(map);
        boolean good = alike >= (going ? FOUND_ALIKE : AGAIN_ALIKE) && seen >= (going ? FOUND_SEEN : AGAIN_SEEN);
        return new Candidate(map, alike, seen, ofFirst, plausible && good
                && (points.size() == 4 || heart(by, there, agrees) >= HEART_SEEN));
    }

    /// Nothing becomes twice as large from one frame to the next.
    private boolean plausible(PlanarMap map) {
        double grown = first.size(map) / first.size(last);
        double most = 1.2 + 0.03 * away;
        double turned = Math.abs(Math.IEEEremainder(first.turnDeg(map) - first.turnDeg(last), 360));
        return grown < most && grown > 1 / most && turned < 18 + 4 * away;
    }

    /// How much agrees close to the point.
    private double heart(Pattern by, PlanarMap there, boolean[] agrees) {
        Pattern.Level l = by.levels().getFirst();
        Point at = there.map(points.getFirst());
        int all = 0;
        int some = 0;
        for (int i = 0; i < l.size(); i++) {
            if (Math.hypot(l.x()[i] - at.x(), l.y()[i] - at.y()) < HEART * by.radiusPx()) {
                all++;
                some += agrees[i] ? 1 : 0;
            }
        }
        return all == 0 ? 1 : some / (double) all;
    }

    private void renew(FrameView sight) {
        List<Point> now = new ArrayList<>(points.stream().map(last::map).toList());
        Pattern p = learn(sight, now, freedom);
        if (p.levels().getFirst().size() >= 25) {
            later = p;
            toLater = last;
        }
    }
}
