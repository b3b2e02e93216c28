package org.scenothesis.core.layer;

import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.step.Extend;

/// Gives a picture more room, mirrored at its edges or left open. What is cut out has no edges and stays.
final class ExtendUnit {
    private ExtendUnit() {}

    static LayerState apply(Extend e, LayerState before, Scene scene) {
        LayerState l = before.gained(scene).sampled(scene);
        if (l.cut() || e.scale() == 1) {
            return l;
        }
        int w = scene.width();
        int h = scene.height();
        Picture small = Resample.scale(l.piece().picture(), Math.max(1, (int) Math.round(w * e.scale())),
                Math.max(1, (int) Math.round(h * e.scale())), scene.bands());
        int left = begins(w - small.width(), e.left(), e.right());
        int top = begins(h - small.height(), e.up(), e.down());
        Picture out = Picture.of(w, h);
        scene.bands().run(h, (from, to, band) -> {
            for (int y = from; y < to; y++) {
                int sy = mirrored(y - top, small.height()) * small.width();
                for (int x = 0; x < w; x++) {
                    int s = sy + mirrored(x - left, small.width());
                    for (int c = 0; c < 3; c++) {
                        out.colours().get(c).data()[y * w + x] = small.colours().get(c).data()[s];
                    }
                }
            }
        });
        LayerState more = l.withPiece(Piece.whole(out), false);
        if (e.around() == Extend.Around.MIRRORED) {
            return more;
        }
        Mask there = there(e, new Box(left, top, left + small.width(), top + small.height()), scene);
        return more.withMask(more.mask() == null ? there : there.times(more.mask()));
    }

    /// The picture itself: whole, but for a seam inside those of its edges that have room before them.
    private static Mask there(Extend e, Box at, Scene scene) {
        double seam = Math.max(e.seamPx(), 0.5);
        Plane p = Plane.of(at.width(), at.height());
        scene.bands().run(at.height(), (from, to, band) -> {
            for (int y = from; y < to; y++) {
                double down = Math.min(at.top() > 0 ? y : seam, at.bottom() < scene.height() ? at.height() - 1 - y : seam);
                for (int x = 0; x < at.width(); x++) {
                    double along = Math.min(at.left() > 0 ? x : seam, at.right() < scene.width() ? at.width() - 1 - x : seam);
                    double k = Math.min(1, Math.min(down, along) / seam);
                    p.data()[y * at.width() + x] = (float) (k * k * (3 - 2 * k));
                }
            }
        });
        return new Mask(p, at);
    }

    /// Of the room that is left the share before the picture; half of it where none was asked for.
    private static int begins(int room, double before, double behind) {
        return (int) Math.round(before + behind == 0 ? room / 2.0 : room * before / (before + behind));
    }

    /// A place of a row that runs on forth and back.
    private static int mirrored(int i, int n) {
        int at = Math.floorMod(i, 2 * n);
        return at < n ? at : 2 * n - 1 - at;
    }
}
