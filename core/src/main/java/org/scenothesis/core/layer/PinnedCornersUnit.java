package org.scenothesis.core.layer;

import java.util.List;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.PinnedCorners;

/// Lays a picture between four points by the planar map that takes its corners there; what is pinned to nothing flat is not seen.
final class PinnedCornersUnit {
    private PinnedCornersUnit() {}

    static LayerState apply(PinnedCorners pin, LayerState before, Scene scene) {
        List<Point> to = pin.at(scene.seconds());
        if (to.equals(PinnedCorners.AS_FILMED)) {
            return before;
        }
        LayerState l = before.cutOut(scene);
        return PlanarMap.fourPoints(pixels(PinnedCorners.AS_FILMED, scene), pixels(to, scene)).filter(m -> PinnedCorners.bendsOneWay(to))
                .map(m -> l.withWarp(m.after(l.warp()))).orElse(l.withSeen(false));
    }

    private static Point[] pixels(List<Point> shares, Scene scene) {
        return shares.stream().map(p -> new Point(p.x() * scene.width(), p.y() * scene.height())).toArray(Point[]::new);
    }
}
