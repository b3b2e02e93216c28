package org.scenothesis.core.stage;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// The ground of a stage ruled in metres, as its camera sees it.
public final class GroundGrid {
    private static final int WIDTH = 1000;
    /// Nearer than this nothing is drawn.
    private static final double NEAR_M = 0.2;
    private static final int ACROSS_M = 6;
    private static final int AWAY_M = 16;

    private GroundGrid() {}

    /// Lines a metre apart, each from one point to another, in shares of a picture of this `aspect` (width by height); some may lie outside
    /// of it.
    public static List<List<Point>> lines(Stage s, double aspect) {
        int height = (int) Math.round(WIDTH / aspect);
        CameraPose pose = s.pose(WIDTH, height);
        Vec[] axes = pose.worldToCamera();
        Vec ahead = new Vec(axes[2].x(), 0, axes[2].z()).unit();
        Vec right = new Vec(axes[0].x(), 0, axes[0].z()).unit();
        Vec under = new Vec(pose.position().x(), s.groundM(), pose.position().z());
        List<List<Point>> out = new ArrayList<>();
        for (int x = -ACROSS_M; x <= ACROSS_M; x++) {
            line(out, pose, under.plus(right.times(x)), under.plus(right.times(x)).plus(ahead.times(AWAY_M)));
        }
        for (int z = 1; z <= AWAY_M; z++) {
            line(out, pose, under.plus(ahead.times(z)).plus(right.times(-ACROSS_M)), under.plus(ahead.times(z))
                    .plus(right.times(ACROSS_M)));
        }
        return out;
    }

    /// Draws a line as far as it lies before the camera.
    private static void line(List<List<Point>> out, CameraPose pose, Vec from, Vec to) {
        double a = depth(pose, from);
        double b = depth(pose, to);
        if (a < NEAR_M && b < NEAR_M) {
            return;
        }
        Vec p = a < NEAR_M ? cut(from, to, (NEAR_M - a) / (b - a)) : from;
        Vec q = b < NEAR_M ? cut(from, to, (NEAR_M - a) / (b - a)) : to;
        out.add(List.of(share(pose, p), share(pose, q)));
    }

    private static Vec cut(Vec from, Vec to, double t) {
        return from.plus(to.minus(from).times(t));
    }

    private static double depth(CameraPose pose, Vec p) {
        return p.minus(pose.position()).dot(pose.worldToCamera()[2]);
    }

    private static Point share(CameraPose pose, Vec p) {
        Point q = pose.project(p);
        return new Point(q.x() / pose.width(), q.y() / pose.height());
    }
}
