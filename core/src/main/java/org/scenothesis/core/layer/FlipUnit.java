package org.scenothesis.core.layer;

import org.scenothesis.core.shot.step.Flip;

/// Mirrors a layer left and right. All that counts of it is mirrored as one thing; of a whole picture the edge is held where it would end
/// within the frame.
final class FlipUnit {
    private FlipUnit() {}

    static LayerState apply(Flip flip, LayerState before, Scene scene) {
        LayerState l = before.shaped() ? before.cutOut(scene) : before;
        return l.withWarp(flip.motion(scene.width()).after(l.warp()));
    }
}
