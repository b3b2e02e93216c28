package org.scenothesis.core.layer;

import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.stage.Stage;

/// Moves a layer from where it was filmed to where it is to stand. Without a staged set it stays.
final class SetPlaceUnit {
    private SetPlaceUnit() {}

    static LayerState apply(SetPlace place, LayerState before, Scene scene) {
        Stage stage = scene.stage();
        if (stage == null) {
            return before;
        }
        var placement = new Placement(stage.pose(scene.width(), scene.height()), place.filmedFoot().value(), place.stand(scene.seconds()));
        LayerState l = before.cutOut(scene);
        if (!placement.seen()) {
            return l.withPlacement(placement, l.piece(), false);
        }
        PlanarMap map = placement.elementToPicture().after(l.warp());
        Piece there = map.equals(PlanarMap.identity()) ? l.piece() : Warps.lie(l.piece(), true, map, scene);
        return l.withPlacement(placement, there, true);
    }
}
