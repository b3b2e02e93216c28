package org.scenothesis.core.layer;

import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.stage.Stage;

/// Moves a layer from where it was filmed to where it is to stand. Without a staged set it stays.
final class PlaceUnit {
    private PlaceUnit() {}

    static Laid apply(Place place, Laid before, Scene scene) {
        Stage stage = scene.stage();
        if (stage == null) {
            return before;
        }
        var placement = new Placement(stage.pose(scene.width(), scene.height()), place.filmedFoot().value(), place.stand(scene.seconds()));
        Laid l = before.cutOut(scene);
        if (!placement.seen()) {
            return l.withPlacement(placement, l.piece(), false);
        }
        PlanarMap map = placement.elementToPicture();
        Piece there = map.equals(PlanarMap.identity()) ? l.piece() : placed(l.piece(), map, scene.frame(), scene.bands());
        return l.withPlacement(placement, there, true);
    }

    /// Warps alpha as it is and colour as it lies under the matte; colour is continued beyond the edge, so straight warping is safe.
    private static Piece placed(Piece element, PlanarMap map, Box frame, Bands bands) {
        Picture p = element.picture();
        Box from = element.at();
        Box seen = Box.around(p.alpha(), 0).moved(from.left(), from.top());
        Box to = Box.around(seen.corners().stream().map(map::map).toList()).grown(2).within(frame);
        if (seen.isEmpty() || to.isEmpty()) {
            return new Piece(Picture.of(1, 1).withAlpha(Plane.of(1, 1)), new Box(0, 0, 1, 1));
        }
        PlanarMap back = map.inverse().between(to, from);
        Picture out = Picture.of(to.width(), to.height()).withAlpha(Plane.of(to.width(), to.height()));
        Resample.warpInto(List.of(p.r(), p.g(), p.b(), p.alpha()), back, List.of(out.r(), out.g(), out.b(), out.alpha()), bands);
        keepInside(out.alpha(), back, Box.all(p.r()));
        return new Piece(out, to);
    }

    // Beyond its own picture an element has nothing: the held edge is taken away.
    private static void keepInside(Plane a, PlanarMap back, Box from) {
        for (int y = 0; y < a.height(); y++) {
            for (int x = 0; x < a.width(); x++) {
                var p = back.map(x + 0.5, y + 0.5);
                int i = y * a.width() + x;
                boolean in = p.x() >= 0 && p.y() >= 0 && p.x() <= from.right() && p.y() <= from.bottom();
                a.data()[i] = in ? Math.clamp(a.data()[i], 0f, 1f) : 0;
            }
        }
    }
}
