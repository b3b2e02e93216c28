package org.scenothesis.core.layer;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.Luma;

/// Mattes from brightness, and from what differs from a clean plate. Luma weights of BT.709; a smooth step between the two limits.
final class LumaUnit {
    private LumaUnit() {}

    static LayerState apply(Luma luma, LayerState before, Scene scene) {
        LayerState l = before.gained(scene);
        Picture p = l.piece().picture();
        return matted(l, scene, i -> {
            return step(Transfer.SRGB.toCode(Luminance.at(p, i)), luma.low(), luma.high());
        });
    }

    /// - `clean`: the frame of the plate without it, as large as the picture; null lets all count.
    static LayerState apply(Difference d, LayerState before, @Nullable Picture clean, Scene scene) {
        LayerState l = before.gained(scene);
        Picture p = l.piece().picture();
        if (clean == null) {
            return before;
        }
        Picture other = clean.sameShape(p) ? clean : Resample.scale(clean, p.width(), p.height(), scene.bands());
        List<Plane> mine = p.colours();
        List<Plane> its = other.colours();
        return matted(l, scene, i -> {
            double most = 0;
            for (int c = 0; c < 3; c++) {
                most = Math.max(most, Math.abs(Transfer.SRGB.toCode(mine.get(c).data()[i]) - Transfer.SRGB.toCode(its.get(c).data()[i])));
            }
            return step(most, d.low(), d.high());
        });
    }

    /// How much of a pixel counts.
    @FunctionalInterface
    private interface Matte {
        double at(int i);
    }

    private static LayerState matted(LayerState l, Scene scene, Matte matte) {
        Picture p = l.piece().picture();
        Plane alpha = Plane.of(p.width(), p.height());
        float[] before = l.cut() ? p.alpha().data() : null;
        scene.bands().run(p.height(), (from, to, band) -> {
            for (int i = from * p.width(); i < to * p.width(); i++) {
                alpha.data()[i] = (float) matte.at(i) * (before == null ? 1 : before[i]);
            }
        });
        return l.withPiece(new Piece(p.withAlpha(alpha), l.piece().at()), true);
    }

    /// 0 at `low`, 1 at `high`, smooth between; the other way round where `low` is the higher.
    private static double step(double v, double low, double high) {
        if (low == high) {
            return v >= high ? 1 : 0;
        }
        double t = Math.clamp((v - low) / (high - low), 0, 1);
        return t * t * (3 - 2 * t);
    }
}
