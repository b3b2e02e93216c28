package org.scenothesis.core.layer;

import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Wrap;
import org.scenothesis.core.value.Animated;

/// Light along the edge of a layer: of what lies below shining in, and of its own shining out.
final class EdgeUnit {
    private EdgeUnit() {}

    /// What shines in, to be added: what lies below, blurred, where the layer is and its surroundings are near.
    static RowBlend wrap(Wrap w, Mask matte, Picture below, double presence, Scene scene) {
        Mask part = soft(matte, w.radiusPx(), scene);
        float[] own = matte.in(part.at()).data();
        float[] b = part.coverage().data();
        for (int i = 0; i < b.length; i++) {
            b[i] = (float) w.amount() * own[i] * Math.max(0, 1 - b[i]);
        }
        Picture light = Blur.gaussian(part.at().cut(below), w.radiusPx(), scene.bands());
        return RowBlend.laid(Blend.SCREEN, new Piece(light, part.at()), part, Gains.UNITY, presence);
    }

    /// What shines out, strongest at the edge and fading to both sides: `4 b (1 − b)` of the blurred matte `b`.
    static RowBlend glow(Glow g, Mask matte, double presence, Scene scene) {
        Mask part = soft(matte, g.radiusPx(), scene);
        float[] b = part.coverage().data();
        for (int i = 0; i < b.length; i++) {
            b[i] = 4 * b[i] * (1 - b[i]);
        }
        double amount = g.amount().at(scene.seconds(), Animated::number);
        Picture colour = Picture.filled(part.at().width(), part.at().height(), (float) (g.r() * amount), (float) (g.g() * amount),
                (float) (g.b() * amount));
        return RowBlend.laid(Blend.ADD, new Piece(colour, part.at()), part, Gains.UNITY, presence);
    }

    /// A matte blurred, as far as that reaches within the frame.
    private static Mask soft(Mask matte, double radiusPx, Scene scene) {
        Box box = matte.at().grown((int) Math.ceil(3 * radiusPx)).within(scene.frame());
        return new Mask(Blur.gaussian(matte.in(box), radiusPx, scene.bands()), box);
    }
}
