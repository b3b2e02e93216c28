package org.scenothesis.core.layer;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Outline;

/// Takes the screen away, within the outline said right before.
final class KeyUnit {
    private KeyUnit() {}

    static LayerState apply(Key key, LayerState before, LayerPicture.@Nullable Keying keying, Scene scene) {
        Outline said = before.outline();
        // Only what lies within can be garbage matte; other outlines are worked by themselves.
        LayerState l = said != null && said.counts() != Outline.Counts.WITHIN ? before.settled(scene) : before;
        Picture frame = l.piece().picture();
        List<Point> garbage = asFilmed(l.shape(scene), l, scene);
        if (frame.a() != null) {
            Picture own = garbage.size() < 3 ? frame : Outlines.within(frame, garbage, scene.bands());
            return l.withOutline(null).withPiece(new Piece(own, l.piece().at()), true);
        }
        return l.withOutline(null).withPiece(Check.present(keying, "a key needs the screen of its take")
                .key(frame, key.settings(), garbage), true);
    }

    /// Outlines are drawn on the base, screens are keyed as they were filmed.
    private static List<Point> asFilmed(List<Point> outline, LayerState l, Scene scene) {
        if (l.warp().equals(PlanarMap.identity())) {
            return outline;
        }
        PlanarMap back = l.warp().inverse();
        Picture p = l.piece().picture();
        return outline.stream().map(q -> back.map(q.x() * scene.width(), q.y() * scene.height()))
                .map(q -> new Point(q.x() / p.width(), q.y() / p.height())).toList();
    }
}
