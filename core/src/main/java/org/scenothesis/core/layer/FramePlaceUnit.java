package org.scenothesis.core.layer;

import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.FramePlace;

/// Moves, turns and sizes a layer in the picture. All that counts of it moves as one thing; beyond its own picture it has nothing.
final class FramePlaceUnit {
    private FramePlaceUnit() {}

    static LayerState apply(FramePlace put, LayerState before, Scene scene) {
        if (put.at(scene.seconds()).equals(new FramePlace.Lie(new Point(0, 0), 0, 1))) {
            return before;
        }
        LayerState l = before.cutOut(scene);
        return l.withWarp(put.motion(scene.seconds(), scene.width(), scene.height()).after(l.warp()));
    }
}
