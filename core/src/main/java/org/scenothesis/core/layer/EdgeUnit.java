package org.scenothesis.core.layer;

import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Wrap;
import org.scenothesis.core.value.Animated;

/// Light along the edge of a layer: of what lies below shining in, and of its own shining out.
final class EdgeUnit {
    private EdgeUnit() {}

    /// What shines in, to be added: what lies below, blurred, where the layer is and its surroundings are near.
    static RowBlend wrap(Wrap w, Mask matte, Picture below, double presence, Scene scene) {
        Box box = matte.at();
        Plane soft = Blur.gaussian(matte.coverage(), w.radiusPx(), scene.bands());
        Plane part = Plane.of(box.width(), box.height());
        for (int i = 0; i < part.data().length; i++) {
            float a = matte.coverage().data()[i];
            part.data()[i] = (float) w.amount() * a * Math.max(0, 1 - soft.data()[i]);
        }
        Picture light = Blur.gaussian(box.grown((int) (3 * w.radiusPx())).within(scene.frame()).cut(below), w.radiusPx(), scene.bands());
        Box from = box.grown((int) (3 * w.radiusPx())).within(scene.frame());
        Picture there = box.moved(-from.left(), -from.top()).cut(light);
        return RowBlend.laid(Blend.SCREEN, new Piece(there, box), new Mask(part, box), Gains.UNITY, presence);
    }

    /// What shines out, strongest at the edge and fading to both sides: `4 b (1 − b)` of the blurred matte `b`.
    static RowBlend glow(Glow g, Mask matte, double presence, Scene scene) {
        Box box = matte.at().grown((int) Math.ceil(3 * g.radiusPx())).within(scene.frame());
        Box in = matte.at().within(box);
        Plane there = in.moved(-matte.at().left(), -matte.at().top()).cut(matte.coverage());
        Plane soft = Blur.gaussian(in.moved(-box.left(), -box.top()).put(there, box.width(), box.height(), 0), g.radiusPx(), scene.bands());
        for (int i = 0; i < soft.data().length; i++) {
            float b = soft.data()[i];
            soft.data()[i] = 4 * b * (1 - b);
        }
        double amount = g.amount().at(scene.seconds(), Animated::number);
        Picture colour = Picture.filled(box.width(), box.height(), (float) (g.r() * amount), (float) (g.g() * amount), (float) (g.b() * amount));
        return RowBlend.laid(Blend.ADD, new Piece(colour, box), new Mask(soft, box), Gains.UNITY, presence);
    }
}
