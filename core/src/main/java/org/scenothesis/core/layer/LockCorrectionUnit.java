package org.scenothesis.core.layer;

import org.scenothesis.core.picture.PlanarMap;

/// The picture with a measured camera shift undone. What was outlined before stays where it is: outlines are drawn on the base.
final class LockCorrectionUnit {
    private LockCorrectionUnit() {}

    static LayerState apply(LayerState l, PlanarMap toBase) {
        return toBase.equals(PlanarMap.identity()) ? l : l.withWarp(l.warp().after(toBase));
    }
}
