package org.scenothesis.core.key;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;

/// Key, despill and over in one pass against one screen colour, for pictures that move: previews and playback.
///
/// - `α = clamp((1 − (G − max(R, B)) / lead − low) / (high − low))`, the green channel limited to the larger of the others, then laid over.
/// - Works strip by strip through all steps so that each strip stays in the first caches; every step is a small method of one job.
/// - Agrees with the plain loop of its test to the last bits of float. Edges are not unmixed: for the finished matte use [Keyer].
public final class FastKey {
    private static final VectorSpecies<Float> S = FloatVector.SPECIES_PREFERRED;
    private static final int STRIP = 1024;

    private FastKey() {}

    /// - `lead`: by how much the screen channel of the bare cloth leads the larger of the others; `low`, `high`: the two cuts.
    public record Cut(float lead, float low, float high) {
        public Cut {
            Check.positive("lead", lead);
            Check.that(high > low, "the upper cut must lie above the lower");
        }
    }

    /// Writes `take` keyed over `base` into `out`; all shapes equal. `out` may be one of the inputs.
    ///
    /// @throws IllegalArgumentException if the shapes differ
    public static void over(Picture take, Picture base, Cut cut, Picture out, Bands bands) {
        take.r().requireShape(base.r());
        take.r().requireShape(out.r());
        float[] r = take.r().data();
        float[] g = take.g().data();
        float[] b = take.b().data();
        float[] br = base.r().data();
        float[] bg = base.g().data();
        float[] bb = base.b().data();
        int w = take.width();
        bands.run(take.height(), (from, to, band) -> {
            float[] alpha = new float[STRIP];
            float[] green = new float[STRIP];
            for (int at = from * w; at < to * w; at += STRIP) {
                int n = Math.min(STRIP, to * w - at);
                matte(r, g, b, at, n, cut, alpha, green);
                mix(r, br, alpha, out.r().data(), at, at, n);
                mix(b, bb, alpha, out.b().data(), at, at, n);
                mix(green, bg, alpha, out.g().data(), 0, at, n);
            }
        });
    }

    private static void matte(float[] r, float[] g, float[] b, int at, int n, Cut cut, float[] alpha, float[] green) {
        float scale = 1 / (cut.high - cut.low);
        float slope = -scale / cut.lead;
        float rest = (1 - cut.low) * scale;
        int i = 0;
        for (; i <= n - S.length(); i += S.length()) {
            FloatVector vg = FloatVector.fromArray(S, g, at + i);
            FloatVector most = FloatVector.fromArray(S, r, at + i).max(FloatVector.fromArray(S, b, at + i));
            vg.sub(most).fma(FloatVector.broadcast(S, slope), FloatVector.broadcast(S, rest)).max(0f).min(1f).intoArray(alpha, i);
            vg.min(most).intoArray(green, i);
        }
        for (; i < n; i++) {
            float most = Math.max(r[at + i], b[at + i]);
            alpha[i] = Math.clamp(Math.fma(g[at + i] - most, slope, rest), 0f, 1f);
            green[i] = Math.min(g[at + i], most);
        }
    }

    private static void mix(float[] top, float[] base, float[] alpha, float[] out, int topAt, int at, int n) {
        int i = 0;
        for (; i <= n - S.length(); i += S.length()) {
            FloatVector under = FloatVector.fromArray(S, base, at + i);
            FloatVector.fromArray(S, top, topAt + i).sub(under).fma(FloatVector.fromArray(S, alpha, i), under).intoArray(out, at + i);
        }
        for (; i < n; i++) {
            out[at + i] = Math.fma(top[topAt + i] - base[at + i], alpha[i], base[at + i]);
        }
    }
}
