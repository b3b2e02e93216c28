package org.scenothesis.core.layer;

import java.util.List;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.Join;

/// Cuts a half at its seam and lays the seam onto another by the similarity that takes its two ends there.
final class JoinUnit {
    private JoinUnit() {}

    static LayerState apply(Join join, LayerState before, Scene scene) {
        List<Point> p = join.points(scene.seconds()).stream().map(q -> new Point(q.x() * scene.width(), q.y() * scene.height())).toList();
        LayerState l = before.settled(scene);
        if (join.keeps() != Join.Side.WHOLE) {
            Mask kept = scene.outlines().side(p.get(0), p.get(1), join.keeps() == Join.Side.ABOVE, join.softnessPx(), scene);
            Mask had = l.mask();
            l = l.masked(had == null ? kept : had.times(kept));
        }
        l = l.cutOut(scene);
        PlanarMap onto = onto(p.get(0), p.get(1), p.get(2), p.get(3));
        return onto.equals(PlanarMap.identity()) ? l : l.withWarp(onto.after(l.warp()));
    }

    /// Turns, sizes and shifts `a`, `b` to `c`, `d`.
    static PlanarMap onto(Point a, Point b, Point c, Point d) {
        if (a.equals(c) && b.equals(d)) {
            return PlanarMap.identity();
        }
        Point from = b.minus(a);
        Point to = d.minus(c);
        double turn = Math.atan2(to.y(), to.x()) - Math.atan2(from.y(), from.x());
        return PlanarMap.similarity(to.length() / from.length(), turn, a, c.minus(a));
    }
}
