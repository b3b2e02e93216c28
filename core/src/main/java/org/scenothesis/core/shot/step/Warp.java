package org.scenothesis.core.shot.step;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// Bent by a few pins: what was filmed at `at` is drawn to where the pin is, smoothly around it; the picture's corners stay.
public record Warp(List<Point> at, Animated<List<Point>> to) implements Step, PointDriven {
    private static final int MOST_PINS = 24;
    private static final double NEAREST = 1e-3;

    /// Four pins around the middle that draw at nothing yet.
    public static final Warp FRESH = still(List.of(new Point(0.4, 0.4), new Point(0.6, 0.4), new Point(0.6, 0.6), new Point(0.4, 0.6)));

    /// @throws IllegalArgumentException if there is no pin, there are more than 24, or two lie on one point
    public Warp {
        Check.that(!at.isEmpty() && at.size() <= MOST_PINS, "a warp has 1 to " + MOST_PINS + " pins");
        int n = at.size();
        Points.check(at, n);
        Points.check(to.still(), n);
        to.keys().forEach(k -> Points.check(k.value(), n));
        Check.that(apart(at) && apart(to.still()), "two pins must not lie on one point");
        at = List.copyOf(at);
    }

    /// Pins that draw at nothing.
    public static Warp still(List<Point> at) {
        return new Warp(at, Animated.of(at));
    }

    /// With a pin more that draws at nothing yet; near the wished place, where no other is.
    public Warp pinned(Point near) {
        if (at.size() >= MOST_PINS) {
            return this;
        }
        Point p = near;
        while (!apart(plus(at, p)) || !apart(plus(to.still(), p))) {
            p = p.plus(new Point(0.02, 0.013));
        }
        Point fresh = p;
        return new Warp(plus(at, fresh), new Animated<>(plus(to.still(), fresh), to.keys().stream()
                .map(k -> new Animated.At<>(k.seconds(), plus(k.value(), fresh), k.ease())).toList()));
    }

    /// Less its last pin; one always stays.
    public Warp fewer() {
        int n = at.size() - 1;
        return n < 1 ? this : new Warp(at.subList(0, n), new Animated<>(List.copyOf(to.still().subList(0, n)), to.keys().stream()
                .map(k -> new Animated.At<>(k.seconds(), List.copyOf(k.value().subList(0, n)), k.ease())).toList()));
    }

    private static List<Point> plus(List<Point> some, Point one) {
        List<Point> out = new ArrayList<>(some);
        out.add(one);
        return List.copyOf(out);
    }

    private static boolean apart(List<Point> p) {
        for (int i = 0; i < p.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (p.get(i).minus(p.get(j)).length() < NEAREST) {
                    return false;
                }
            }
        }
        return true;
    }

    @Override
    public List<Point> points(double seconds) {
        return to.at(seconds, Points::between);
    }

    @Override
    public Warp withPoints(double seconds, List<Point> other) {
        return apart(other) ? new Warp(at, to.set(seconds, other)) : this;
    }

    @Override
    public List<List<Integer>> lines() {
        return List.of();
    }

    @Override
    public List<String> names() {
        List<String> out = new ArrayList<>();
        for (int i = 1; i <= at.size(); i++) {
            out.add("pin-" + i);
        }
        return out;
    }

    @Override
    public Step animate(Animated.Change change) {
        return new Warp(at, change.of(to, Points::between));
    }
}
