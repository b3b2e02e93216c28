package org.scenothesis.core.perspective;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// Marks that a hand would set in the picture of a room: its edges as a known camera sees them, each end a little off.
record MarkedRoom(CameraPose pose, double bend, SplittableRandom hand, double offPx) {
    static final int W = 1280;
    static final int H = 720;

    /// As the camera sees it, bent, and off by a hand.
    Point seen(Vec v) {
        Point p = pose.project(v);
        double x = (p.x() - pose.principal().x()) / pose.focalPx();
        double y = (p.y() - pose.principal().y()) / pose.focalPx();
        double s = 1 + bend * (x * x + y * y);
        return new Point(pose.principal().x() + pose.focalPx() * x * s + offPx * hand.nextGaussian(), pose.principal()
                .y() + pose.focalPx() * y * s + offPx * hand.nextGaussian());
    }

    private boolean before(Vec v) {
        Vec[] r = pose.worldToCamera();
        if (v.minus(pose.position()).dot(r[2]) < 0.3) {
            return false;
        }
        Point p = pose.project(v);
        return p.x() > 0 && p.y() > 0 && p.x() < W && p.y() < H;
    }

    /// Edges of boxes that stand about; of each direction at most `each`, those that are in the picture.
    List<Marks.Line> lines(int each, Marks.Direction... of) {
        List<Marks.Line> out = new ArrayList<>();
        for (Marks.Direction d : of) {
            int n = 0;
            for (int t = 0; t < 4000 && n < each; t++) {
                Vec a = new Vec(hand.nextDouble(-4, 4), hand.nextDouble(0, 2.6), hand.nextDouble(0.5, 8));
                double l = hand.nextDouble(0.4, 2.5);
                Vec b = a.plus(d == Marks.Direction.X ? new Vec(l, 0, 0) : d == Marks.Direction.Y ? new Vec(0, l, 0) : new Vec(0, 0, l));
                if (before(a) && before(b) && pose.project(a).minus(pose.project(b)).length() > 90) {
                    out.add(new Marks.Line(d, seen(a), seen(b)));
                    n++;
                }
            }
        }
        return out;
    }

    Vec spot() {
        for (int t = 0; t < 10_000; t++) {
            Vec v = new Vec(hand.nextDouble(-4, 4), 0, hand.nextDouble(0.5, 8));
            if (before(v)) {
                return v;
            }
        }
        throw new IllegalStateException("no ground in the picture");
    }

    Marks.Length onGround() {
        for (int t = 0; t < 1000; t++) {
            Vec a = spot();
            Vec b = spot();
            if (pose.project(a).minus(pose.project(b)).length() > 200) {
                return new Marks.Length(seen(a), seen(b), a.minus(b).length(), Marks.Stands.GROUND);
            }
        }
        throw new IllegalStateException("too little ground in the picture");
    }

    Marks marks(List<Marks.Line> lines, Marks.Length... lengths) {
        return Marks.none(W, H).withLines(lines).withLengths(List.of(lengths));
    }
}
