package org.scenothesis.core.layer;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.Blend;

/// The arithmetic of layers, in scene-linear light, each on some rows of the base in place, so that a band of rows stays in the cache while
/// all layers are laid on it.
///
/// Source: Porter & Duff 1984.
@FunctionalInterface
interface RowBlend {
    VectorSpecies<Float> S = FloatVector.SPECIES_PREFERRED;
    /// What stays when the key light is taken away is the fill, slightly cool as daylight fill is.
    float[] FILL_TINT = {1.03f, 1.0f, 0.95f};

    /// Lays this on the rows `from` to `to` of `base`.
    void lay(Picture base, int from, int to);

    /// One row's run of pixels: where it begins in the base, in what is laid and in its weights, and its length.
    record Run(int base, int top, int weight, int length) {}

    /// The base itself.
    static RowBlend ground(Picture p, Gains gains) {
        float[] k = factors(gains);
        return (base, from, to) -> {
            int w = base.width();
            for (int c = 0; c < 3; c++) {
                scale(base.colours().get(c).data(), p.colours().get(c).data(), from * w, to * w, k[c]);
            }
        };
    }

    /// Takes `density` of the key away.
    static RowBlend darken(Mask density, double presence) {
        return rows(density.at(), (base, box, c) -> {
            float[] to = base.colours().get(c).data();
            for (int y = box.top(); y < box.bottom(); y++) {
                dim(to, density.coverage().data(), run(base, box, y, density.at(), density.at()), (float) presence * FILL_TINT[c]);
            }
        });
    }

    /// Adds the light that `lit` has more than `unlit`, within a mask.
    static RowBlend addLight(Picture lit, Picture unlit, @Nullable Mask within, Gains gains, double presence) {
        Box all = Box.all(lit.r());
        double[] k = {presence * gains.r(), presence * gains.g(), presence * gains.b()};
        Mask mask = within == null ? Mask.whole(Plane.filled(lit.width(), lit.height(), 1)) : within;
        return rows(all.within(mask.at()), (base, box, c) -> {
            float[] to = base.colours().get(c).data();
            float[] on = lit.colours().get(c).data();
            float[] off = unlit.colours().get(c).data();
            for (int y = box.top(); y < box.bottom(); y++) {
                light(to, on, off, mask.coverage().data(), run(base, box, y, all, mask.at()), (float) k[c]);
            }
        });
    }

    /// A straight-alpha piece, laid as `blend` says; over is `base = piece·gain·alpha·presence + base·(1 − alpha·presence)`.
    static RowBlend laid(Blend blend, Piece top, Mask alpha, Gains gains, double presence) {
        float[] k = factors(gains);
        float[] a = alpha.coverage().data();
        Row row = switch (blend) {
            case OVER -> RowBlend::mix;
            case ADD -> RowBlend::add;
            case SCREEN -> RowBlend::screen;
            case LIGHTEN -> RowBlend::lighten;
            case MULTIPLY -> RowBlend::multiply;
        };
        return rows(top.at().within(alpha.at()), (base, box, c) -> {
            float[] to = base.colours().get(c).data();
            float[] from = top.picture().colours().get(c).data();
            for (int y = box.top(); y < box.bottom(); y++) {
                row.lay(to, from, a, run(base, box, y, top.at(), alpha.at()), (float) presence, k[c]);
            }
        });
    }

    /// Lays one row's run of one channel.
    @FunctionalInterface
    interface Row {
        void lay(float[] base, float[] top, float[] alpha, Run r, float presence, float gain);
    }

    /// What is done to one channel within a box.
    @FunctionalInterface
    interface Channel {
        void lay(Picture base, Box box, int channel);
    }

    private static RowBlend rows(Box box, Channel work) {
        return (base, from, to) -> {
            Box part = box.within(new Box(0, from, base.width(), to));
            for (int c = 0; c < 3 && !part.isEmpty(); c++) {
                work.lay(base, part, c);
            }
        };
    }

    private static Run run(Picture base, Box box, int y, Box top, Box weight) {
        return new Run(
                y * base.width() + box.left(), (y - top.top()) * top.width() + box.left() - top.left(),
                (y - weight.top()) * weight.width() + box.left() - weight.left(), box.width());
    }

    private static float[] factors(Gains g) {
        return new float[] {(float) g.r(), (float) g.g(), (float) g.b()};
    }

    private static void scale(float[] base, float[] top, int from, int to, float gain) {
        for (int i = from; i < to; i++) {
            base[i] = top[i] * gain;
        }
    }

    private static void mix(float[] base, float[] top, float[] alpha, Run r, float presence, float gain) {
        int i = 0;
        for (; i <= r.length - S.length(); i += S.length()) {
            FloatVector below = FloatVector.fromArray(S, base, r.base + i);
            FloatVector part = FloatVector.fromArray(S, alpha, r.weight + i).mul(presence);
            below.add(part.mul(FloatVector.fromArray(S, top, r.top + i).mul(gain).sub(below))).intoArray(base, r.base + i);
        }
        for (; i < r.length; i++) {
            base[r.base + i] += alpha[r.weight + i] * presence * (top[r.top + i] * gain - base[r.base + i]);
        }
    }

    private static void add(float[] base, float[] top, float[] alpha, Run r, float presence, float gain) {
        for (int i = 0; i < r.length; i++) {
            base[r.base + i] += alpha[r.weight + i] * presence * top[r.top + i] * gain;
        }
    }

    /// What is lit twice does not go beyond white: `1 − (1 − base)(1 − top)`, and where either is beyond white already, the lighter.
    private static void screen(float[] base, float[] top, float[] alpha, Run r, float presence, float gain) {
        for (int i = 0; i < r.length; i++) {
            float below = base[r.base + i];
            float above = top[r.top + i] * gain;
            float both = below < 1 && above < 1 ? below + above - below * above : Math.max(below, above);
            base[r.base + i] = below + alpha[r.weight + i] * presence * (both - below);
        }
    }

    private static void lighten(float[] base, float[] top, float[] alpha, Run r, float presence, float gain) {
        for (int i = 0; i < r.length; i++) {
            float below = base[r.base + i];
            base[r.base + i] = below + alpha[r.weight + i] * presence * (Math.max(below, top[r.top + i] * gain) - below);
        }
    }

    private static void multiply(float[] base, float[] top, float[] alpha, Run r, float presence, float gain) {
        for (int i = 0; i < r.length; i++) {
            base[r.base + i] *= 1 + alpha[r.weight + i] * presence * (top[r.top + i] * gain - 1);
        }
    }

    /// What `on` has more than `off`.
    static void gained(float[] on, float[] off, float[] out, int from, int to) {
        for (int i = from; i < to; i++) {
            out[i] = Math.max(0, on[i] - off[i]);
        }
    }

    private static void dim(float[] base, float[] density, Run r, float amount) {
        int i = 0;
        for (; i <= r.length - S.length(); i += S.length()) {
            FloatVector kept = FloatVector.broadcast(S, 1).sub(FloatVector.fromArray(S, density, r.weight + i).mul(amount)).max(0);
            FloatVector.fromArray(S, base, r.base + i).mul(kept).intoArray(base, r.base + i);
        }
        for (; i < r.length; i++) {
            base[r.base + i] *= Math.max(0, 1 - density[r.weight + i] * amount);
        }
    }

    private static void light(float[] base, float[] on, float[] off, float[] mask, Run r, float factor) {
        int i = 0;
        for (; i <= r.length - S.length(); i += S.length()) {
            FloatVector gained = FloatVector.fromArray(S, on, r.top + i).sub(FloatVector.fromArray(S, off, r.top + i)).max(0);
            FloatVector part = FloatVector.fromArray(S, mask, r.weight + i).mul(factor);
            FloatVector.fromArray(S, base, r.base + i).add(part.mul(gained)).intoArray(base, r.base + i);
        }
        for (; i < r.length; i++) {
            base[r.base + i] += factor * mask[r.weight + i] * Math.max(0, on[r.top + i] - off[r.top + i]);
        }
    }
}
