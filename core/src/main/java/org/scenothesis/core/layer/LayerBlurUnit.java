package org.scenothesis.core.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.step.LayerBlur;
import org.scenothesis.core.value.Animated;

/// Blurs what is seen, with its matte: colours weigh as much as there is of them.
final class LayerBlurUnit {
    private static final float LEAST = 1e-5f;

    private LayerBlurUnit() {}

    static LayerState apply(LayerBlur s, LayerState before, Scene scene) {
        double radius = s.radiusPx().at(scene.seconds(), Animated::number);
        double along = s.alongPx().at(scene.seconds(), Animated::number);
        if (radius < 0.05 && along < 0.5) {
            return before;
        }
        LayerState l = (before.shaped() ? before.cutOut(scene) : before.gained(scene)).sampled(scene);
        UnaryOperator<Plane> soft = p -> along(Blur.gaussian(p, radius, scene.bands()), along, Math.toRadians(s.towardsDeg()),
                scene.bands());
        if (!l.cut()) {
            return l.withPiece(new Piece(each(l.piece().picture(), soft), l.piece().at()), false);
        }
        Box to = l.piece().at().grown((int) Math.ceil(3 * radius + along / 2) + 1).within(scene.frame());
        if (to.isEmpty()) {
            return l;
        }
        return l.withPiece(new Piece(weighed(l.piece(), to, soft), to), true);
    }

    private static Picture each(Picture p, UnaryOperator<Plane> soft) {
        return new Picture(soft.apply(p.r()), soft.apply(p.g()), soft.apply(p.b()), p.a() == null ? null : soft.apply(p.alpha()));
    }

    private static Picture weighed(Piece piece, Box to, UnaryOperator<Plane> soft) {
        Box in = piece.at().within(to);
        Box there = in.moved(-to.left(), -to.top());
        Picture p = in.moved(-piece.at().left(), -piece.at().top()).cut(piece.picture());
        float[] a = p.alpha().data();
        Plane alpha = soft.apply(there.put(p.alpha(), to.width(), to.height(), 0));
        List<Plane> out = new ArrayList<>();
        for (Plane c : p.colours()) {
            Plane weighed = c.copy();
            for (int i = 0; i < a.length; i++) {
                weighed.data()[i] *= a[i];
            }
            Plane blurred = soft.apply(there.put(weighed, to.width(), to.height(), 0));
            for (int i = 0; i < blurred.data().length; i++) {
                blurred.data()[i] = alpha.data()[i] > LEAST ? blurred.data()[i] / alpha.data()[i] : 0;
            }
            out.add(blurred);
        }
        for (int i = 0; i < alpha.data().length; i++) {
            alpha.data()[i] = Math.clamp(alpha.data()[i], 0f, 1f);
        }
        return new Picture(out.get(0), out.get(1), out.get(2), alpha);
    }

    /// The mean along a way through every pixel; edges are held.
    private static Plane along(Plane in, double length, double angle, Bands bands) {
        int n = (int) Math.ceil(length);
        if (n < 1) {
            return in;
        }
        Plane out = Plane.of(in.width(), in.height());
        bands.run(in.height(), (from, to, band) -> {
            for (int k = 0; k <= n; k++) {
                double t = length * (k / (double) n - 0.5);
                addShifted(in, t * Math.cos(angle), t * Math.sin(angle), 1f / (n + 1), out, from, to);
            }
        });
        return out;
    }

    private static void addShifted(Plane in, double dx, double dy, float share, Plane out, int from, int to) {
        int w = in.width();
        int left = (int) Math.floor(dx);
        int top = (int) Math.floor(dy);
        float fx = (float) (dx - left);
        float fy = (float) (dy - top);
        float[] d = in.data();
        for (int y = from; y < to; y++) {
            int high = Math.clamp(y + top, 0, in.height() - 1) * w;
            int low = Math.clamp(y + top + 1, 0, in.height() - 1) * w;
            for (int x = 0; x < w; x++) {
                int a = Math.clamp(x + left, 0, w - 1);
                int b = Math.clamp(x + left + 1, 0, w - 1);
                float upper = d[high + a] + fx * (d[high + b] - d[high + a]);
                float lower = d[low + a] + fx * (d[low + b] - d[low + a]);
                out.data()[y * w + x] += share * (upper + fy * (lower - upper));
            }
        }
    }
}
