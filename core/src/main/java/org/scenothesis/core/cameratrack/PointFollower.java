package org.scenothesis.core.cameratrack;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.follow.Likeness;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.vision.Features;

/// Follows as many points of the set as the picture gives, through frames that come one after another.
///
/// - Each is compared with a frame a few before, so that it drifts only from one of these to the next, and looked for backwards as well:
///   what does not come back is lost.
/// - Memory: two frames, and the places.
public final class PointFollower {
    private static final int POINTS = 520;
    private static final int CELLS = 10;
    private static final int ANEW = 8;
    private static final int LEAST = 15;
    private static final double BACK_PX = 0.35;
    private static final double FAR_PX = 6;
    private static final double EDGE_PX = 12;
    private static final double APART_PX = 10;
    private static final int HALF = 5;
    private static final double ALIKE = 0.7;

    private final List<FeatureTrack> ended = new ArrayList<>();
    private List<Alive> alive = new ArrayList<>();
    private @Nullable Plane anchor;
    private @Nullable Plane before;
    private int frames;

    /// A point that is still seen: its places, and where it was in the frame it is compared with.
    private record Alive(int from, List<Point> at, Point anchored) {
        Alive next(Point p) {
            at.add(p);
            return this;
        }
    }

    /// The next frame's luma, in code values.
    ///
    /// @throws IllegalArgumentException if it is of another size than the first
    public void next(Plane luma) {
        if (before != null) {
            before.requireShape(luma);
            step(luma);
        }
        if (frames % ANEW == 0) {
            anchor = luma;
            alive = new ArrayList<>(alive.stream().map(a -> new Alive(a.from, a.at, a.at.getLast())).toList());
            seek(luma);
        }
        before = luma;
        frames++;
    }

    private void step(Plane luma) {
        Plane base = Objects.requireNonNull(anchor);
        List<Point> last = alive.stream().map(a -> a.at.getLast()).toList();
        if (last.isEmpty()) {
            return;
        }
        List<@Nullable Point> rough = Features.follow(Objects.requireNonNull(before), luma, last);
        List<Alive> seen = new ArrayList<>();
        List<Point> near = new ArrayList<>();
        for (int i = 0; i < alive.size(); i++) {
            Point p = rough.get(i);
            if (p == null || !inside(luma, p)) {
                end(alive.get(i));
            } else {
                seen.add(alive.get(i));
                near.add(p);
            }
        }
        alive = new ArrayList<>();
        if (seen.isEmpty()) {
            return;
        }
        List<Point> anchored = seen.stream().map(Alive::anchored).toList();
        List<@Nullable Point> there = Features.follow(base, luma, anchored, near);
        List<Point> back = new ArrayList<>();
        for (int i = 0; i < seen.size(); i++) {
            Point p = there.get(i);
            back.add(p == null ? near.get(i) : p);
        }
        List<@Nullable Point> again = Features.follow(luma, base, back, anchored);
        for (int i = 0; i < seen.size(); i++) {
            Point p = there.get(i);
            Point q = again.get(i);
            boolean sure = p != null && q != null && inside(luma, p) && p.minus(near.get(i)).length() < FAR_PX && q.minus(anchored.get(i))
                    .length() < BACK_PX && alike(base, anchored.get(i), luma, p) > ALIKE;
            if (sure) {
                alive.add(seen.get(i).next(Objects.requireNonNull(p)));
            } else {
                end(seen.get(i));
            }
        }
    }

    /// How like the surroundings of a point are to those of another.
    private static double alike(Plane a, Point p, Plane b, Point q) {
        Likeness like = new Likeness();
        for (int y = -HALF; y <= HALF; y++) {
            for (int x = -HALF; x <= HALF; x++) {
                like.add(Resample.linear(a, p.x() + x, p.y() + y), Resample.linear(b, q.x() + x, q.y() + y));
            }
        }
        return like.correlation();
    }

    /// New points where there are none.
    private void seek(Plane luma) {
        int cells = Math.clamp(Math.min(luma.width(), luma.height()) / 24, 1, CELLS);
        List<Point> kept = new ArrayList<>(alive.stream().map(Alive::anchored).toList());
        for (Point p : Features.spread(luma, POINTS, cells)) {
            if (inside(luma, p) && kept.stream().noneMatch(q -> q.minus(p).length() < APART_PX)) {
                kept.add(p);
                alive.add(new Alive(frames, new ArrayList<>(List.of(p)), p));
            }
        }
    }

    private static boolean inside(Plane luma, Point p) {
        return p.x() > EDGE_PX && p.y() > EDGE_PX && p.x() < luma.width() - EDGE_PX && p.y() < luma.height() - EDGE_PX;
    }

    private void end(Alive a) {
        if (a.at.size() >= Math.min(LEAST, ANEW)) {
            ended.add(new FeatureTrack(a.from, a.at));
        }
    }

    /// How many frames there were.
    public int frames() {
        return frames;
    }

    /// All that was followed long enough to say something.
    public List<FeatureTrack> traces() {
        List<FeatureTrack> out = new ArrayList<>(ended);
        alive.stream().filter(a -> a.at.size() >= Math.min(ANEW, Math.max(2, frames)))
                .forEach(a -> out.add(new FeatureTrack(a.from, a.at)));
        return out;
    }
}
