package org.scenothesis.core.layer;

import org.scenothesis.core.picture.PlanarMap;

/// Moves all that was done so far with what was followed, or against it.
final class FollowUnit {
    private FollowUnit() {}

    static LayerState moved(PlanarMap motion, LayerState before, Scene scene) {
        if (motion.equals(PlanarMap.identity())) {
            return before;
        }
        LayerState l = before.cutOut(scene);
        return l.withWarp(motion.after(l.warp()));
    }
}
