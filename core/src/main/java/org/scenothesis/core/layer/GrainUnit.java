package org.scenothesis.core.layer;

import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.step.Grain;

/// Grain as light makes it: its deviation grows with the root of the level, another one in every frame and channel, the same each time it
/// is made.
///
/// - `out = v + amount · 0.18 · √(v / 0.18) · n`, `n` of deviation 1 and `sizePx` wide.
/// - Source: shot noise of a Poisson process; random numbers by a mixing of the pixel's number (SplitMix64, Steele et al. 2014).
final class GrainUnit {
    private static final float GREY = 0.18f;
    /// A blur with this share of the size makes neighbours that far apart alike by half.
    private static final double BLUR = 0.42;

    private GrainUnit() {}

    static LayerState apply(Grain g, LayerState before, String layer, Scene scene) {
        if (g.amount() == 0) {
            return before;
        }
        LayerState l = before.gained(scene).sampled(scene);
        Picture in = l.piece().picture();
        Picture out = new Picture(Plane.of(in.width(), in.height()), Plane.of(in.width(), in.height()), Plane.of(in.width(), in.height()),
                in.a());
        for (int c = 0; c < 3; c++) {
            long seed = layer.hashCode() * 31L + Math.round(scene.seconds() * 1e4) * 4 + c;
            lay(in.colours().get(c), noise(in, g.sizePx(), seed, scene), (float) (g.amount() / 100), out.colours().get(c), scene);
        }
        return l.withPiece(new Piece(out, l.piece().at()), l.cut());
    }

    private static void lay(Plane in, Plane noise, float amount, Plane out, Scene scene) {
        scene.bands().run(in.height(), (from, to, band) -> {
            float[] v = in.data();
            float[] n = noise.data();
            float[] o = out.data();
            for (int i = from * in.width(); i < to * in.width(); i++) {
                o[i] = v[i] + amount * (float) Math.sqrt(Math.max(0, v[i]) * GREY) * n[i];
            }
        });
    }

    /// Of mean 0 and deviation 1.
    private static Plane noise(Picture like, double sizePx, long seed, Scene scene) {
        Plane n = Plane.of(like.width(), like.height());
        scene.bands().run(n.height(), (from, to, band) -> {
            for (int i = from * n.width(); i < to * n.width(); i++) {
                n.data()[i] = normal(seed * 0x9E3779B97F4A7C15L + i);
            }
        });
        if (sizePx <= 1) {
            return n;
        }
        Plane soft = Blur.gaussian(n, sizePx * BLUR, scene.bands());
        double sum = 0;
        for (float v : soft.data()) {
            sum += (double) v * v;
        }
        float back = (float) (1 / Math.sqrt(Math.max(1e-12, sum / soft.data().length)));
        for (int i = 0; i < soft.data().length; i++) {
            soft.data()[i] *= back;
        }
        return soft;
    }

    /// Four even numbers from one mixed one: nearly normal, never more than 3.5 deviations out.
    private static float normal(long at) {
        long z = at * 0x9E3779B97F4A7C15L;
        z = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        z ^= z >>> 31;
        long sum = (z & 0xFFFF) + (z >>> 16 & 0xFFFF) + (z >>> 32 & 0xFFFF) + (z >>> 48);
        return (sum / 65535f - 2) * 1.7320508f;
    }
}
