package org.scenothesis.core.layer;

import java.util.List;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;

/// Samples pictures and masks where a warp has moved them.
final class Warps {
    private Warps() {}

    /// The pixels of a piece where `map` puts them in the frame.
    ///
    /// - `cut`: only where its alpha is; colour is continued beyond the edge of that, so straight warping is safe. Else all of the frame,
    ///   with the picture's edge held.
    static Piece lie(Piece p, boolean cut, PlanarMap map, Scene scene) {
        if (cut) {
            return element(p, map, scene);
        }
        Box to = scene.frame();
        Picture out = Picture.of(to.width(), to.height());
        Resample.warpInto(p.picture().colours(), map.inverse().between(to, p.at()), out.colours(), scene.bands());
        return new Piece(out, to);
    }

    private static Piece element(Piece element, PlanarMap map, Scene scene) {
        Picture p = element.picture();
        Box from = element.at();
        Box seen = Box.around(p.alpha(), 0).moved(from.left(), from.top());
        Box to = Box.around(seen.corners().stream().map(map::map).toList()).grown(2).within(scene.frame());
        if (seen.isEmpty() || to.isEmpty()) {
            return new Piece(Picture.of(1, 1).withAlpha(Plane.of(1, 1)), new Box(0, 0, 1, 1));
        }
        PlanarMap back = map.inverse().between(to, from);
        Picture out = Picture.of(to.width(), to.height()).withAlpha(Plane.of(to.width(), to.height()));
        Resample.warpInto(List.of(p.r(), p.g(), p.b(), p.alpha()), back, List.of(out.r(), out.g(), out.b(), out.alpha()), scene.bands());
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

    /// A mask of the frame as it lies on the pixels of a piece that `map` puts into the frame.
    static Mask within(Mask m, PlanarMap map, Box piece, Scene scene) {
        if (map.equals(PlanarMap.identity())) {
            return m;
        }
        Plane out = Plane.of(piece.width(), piece.height());
        Resample.warpInto(m.at().put(m.coverage(), scene.width(), scene.height(), 0), map.between(piece, scene.frame()), out,
                scene.bands());
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = Math.clamp(out.data()[i], 0f, 1f);
        }
        return new Mask(out, piece);
    }
}
