package org.scenothesis.core.shot.step;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// Lists of points in shares of a picture, as steps hold them.
final class Points {
    private static final double FURTHEST = 20;

    private Points() {}

    static void check(List<Point> p, int count) {
        Check.that(p.size() == count, "there must be " + count + " points, not " + p.size());
        for (Point q : p) {
            Check.range("x", q.x(), -FURTHEST, FURTHEST);
            Check.range("y", q.y(), -FURTHEST, FURTHEST);
        }
    }

    static List<Point> between(List<Point> a, List<Point> b, double t) {
        if (a.size() != b.size()) {
            return t < 1 ? a : b;
        }
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < a.size(); i++) {
            out.add(a.get(i).plus(b.get(i).minus(a.get(i)).times(t)));
        }
        return List.copyOf(out);
    }
}
