package org.scenothesis.core.layer;

import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Resample;

/// The picture with a measured camera shift undone. What was outlined before stays where it is: outlines are drawn on the base.
final class SteadyUnit {
    private SteadyUnit() {}

    static Laid apply(Laid l, PlanarMap toBase, Scene scene) {
        if (toBase.equals(PlanarMap.identity())) {
            return l;
        }
        Laid whole = l.gained(scene);
        Picture back = Resample.warp(whole.piece().picture(), toBase.inverse().between(whole.piece().at(), whole.piece().at()), scene.bands());
        return whole.withPiece(new Piece(back, whole.piece().at()), whole.cut());
    }
}
