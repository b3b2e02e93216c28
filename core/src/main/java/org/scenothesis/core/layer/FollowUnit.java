package org.scenothesis.core.layer;

import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.shot.step.Follow;

/// Moves all that was done so far with what was followed.
final class FollowUnit {
    private FollowUnit() {}

    static Laid apply(Follow f, Laid before, Scene scene) {
        PlanarMap motion = scene.motion(f.by());
        if (motion.equals(PlanarMap.identity())) {
            return before;
        }
        Laid l = before.cutOut(scene);
        return l.withWarp(motion.after(l.warp()));
    }
}
