package org.scenothesis.core.layer;

import java.util.List;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.Join;

/// Cuts a half at its seam and lays the seam onto another by the similarity that takes its two ends there.
final class JoinUnit {
    /// How far the kept side reaches, in pictures: beyond all of it.
    private static final double FAR = 8;

    private JoinUnit() {}

    static Laid apply(Join join, Laid before, Scene scene) {
        List<Point> p = join.points(scene.seconds()).stream().map(q -> new Point(q.x() * scene.width(), q.y() * scene.height())).toList();
        Mask kept = join.keeps() == Join.Side.WHOLE ? Mask.whole(Plane.filled(scene.width(), scene.height(), 1)) : scene.outlines().mask(kept(p.get(0), p.get(1), join.keeps() == Join.Side.ABOVE, FAR * Math.max(scene.width(), scene.height()), scene), join.softnessPx(), scene);
        Mask had = before.settled(scene).mask();
        Laid l = before.settled(scene).masked(had == null ? kept : had.times(kept)).cutOut(scene);
        PlanarMap onto = onto(p.get(0), p.get(1), p.get(2), p.get(3));
        return onto.equals(PlanarMap.identity()) ? l : l.withWarp(onto.after(l.warp()));
    }

    /// All on one side of the line through `a` and `b`, in shares; above is where y is less, of an upright line the left.
    private static List<Point> kept(Point a, Point b, boolean above, double far, Scene scene) {
        Point along = b.minus(a).times(far / b.minus(a).length());
        Point off = new Point(along.y(), -along.x());
        boolean up = off.y() < 0 || off.y() == 0 && off.x() < 0;
        Point side = up == above ? off : off.times(-1);
        Point from = a.minus(along);
        Point to = b.plus(along);
        return List.of(from, to, to.plus(side), from.plus(side)).stream().map(q -> new Point(q.x() / scene.width(), q.y() / scene.height())).toList();
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
