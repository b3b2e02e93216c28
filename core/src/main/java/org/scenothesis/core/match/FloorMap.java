package org.scenothesis.core.match;

import java.util.List;
import java.util.Optional;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;

/// From the floor of one picture to that of another: what lies so far ahead and so far aside of one camera lies so of the other.
///
/// Source: a plane seen by two cameras is mapped by a homography (Hartley & Zisserman, *Multiple View Geometry*, 2nd ed., 13.1).
public final class FloorMap {
    /// Where both floors are looked at: in lens heights ahead, and as a share of that aside.
    private static final double[] AHEAD = {1.5, 6};
    private static final double ASIDE = 0.3;

    private FloorMap() {}

    /// Pixels of `from` to pixels of `to`; empty where one of them cannot be measured, or does not see the floor ahead.
    public static Optional<PlanarMap> between(PictureCamera from, PictureCamera to) {
        var height = from.lensHeightM();
        if (height == null || !from.metric() || !to.metric()) {
            return Optional.empty();
        }
        Point[] there = new Point[4];
        Point[] here = new Point[4];
        int n = 0;
        for (double ahead : AHEAD) {
            for (double aside : List.of(-ASIDE, ASIDE)) {
                double z = ahead * height.value();
                Vec v = new Vec(aside * z, 0, z);
                Optional<Point> a = from.project(v);
                Optional<Point> b = to.project(v);
                if (a.isEmpty() || b.isEmpty()) {
                    return Optional.empty();
                }
                there[n] = a.get();
                here[n++] = b.get();
            }
        }
        return PlanarMap.fourPoints(around(there), around(here));
    }

    private static Point[] around(Point[] rows) {
        return new Point[] {rows[0], rows[1], rows[3], rows[2]};
    }
}
