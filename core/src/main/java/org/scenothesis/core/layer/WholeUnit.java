package org.scenothesis.core.layer;

import java.util.Arrays;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.Letterbox;

/// What is done to the shot as a whole: held by hand, and framed.
final class WholeUnit {
    private WholeUnit() {}

    static LayerState apply(HandHeld w, LayerState before, Scene scene) {
        double scale = w.overscan(scene.width(), scene.height());
        HandHeld.Held h = w.at(scene.seconds());
        Point middle = new Point(scene.width() / 2.0, scene.height() / 2.0);
        Point by = new Point(h.across() / 100 * scene.height(), h.down() / 100 * scene.height());
        PlanarMap map = PlanarMap.similarity(scale, Math.toRadians(h.rollDeg()), middle, by);
        return map.equals(PlanarMap.identity()) ? before : before.withWarp(map.after(before.warp()));
    }

    static LayerState apply(Letterbox box, LayerState before, Scene scene) {
        LayerState l = before.gained(scene).sampled(scene);
        if (l.cut()) {
            return l;
        }
        Picture p = l.piece().picture().copy();
        int w = scene.width();
        int h = scene.height();
        int rows = (int) Math.round(Math.max(0, h - w / box.ratio()) / 2);
        int columns = (int) Math.round(Math.max(0, w - h * box.ratio()) / 2);
        for (Plane c : p.colours()) {
            Arrays.fill(c.data(), 0, rows * w, 0);
            Arrays.fill(c.data(), (h - rows) * w, h * w, 0);
            for (int y = 0; y < h && columns > 0; y++) {
                Arrays.fill(c.data(), y * w, y * w + columns, 0);
                Arrays.fill(c.data(), (y + 1) * w - columns, (y + 1) * w, 0);
            }
        }
        return l.withPiece(Piece.whole(p), false);
    }
}
