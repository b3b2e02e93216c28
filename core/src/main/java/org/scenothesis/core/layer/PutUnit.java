package org.scenothesis.core.layer;

import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.Put;

/// Moves, turns and sizes a layer in the picture. All that counts of it moves as one thing; beyond its own picture it has nothing.
final class PutUnit {
    private PutUnit() {}

    static Laid apply(Put put, Laid before, Scene scene) {
        Put.Lie lie = put.at(scene.seconds());
        if (lie.equals(new Put.Lie(new Point(0, 0), 0, 1))) {
            return before;
        }
        Laid l = before.cutOut(scene);
        Point about = new Point(put.about().x() * scene.width(), put.about().y() * scene.height());
        Point by = new Point(lie.by().x() * scene.width(), lie.by().y() * scene.height());
        return l.withWarp(PlanarMap.similarity(lie.size(), Math.toRadians(lie.turnDeg()), about, by).after(l.warp()));
    }
}
