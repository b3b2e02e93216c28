package org.scenothesis.core.key;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;

/// Key, despill and over in one pass against one screen colour, for pictures that move: previews and playback.
///
/// - `α = clamp((1 − (G − max(R, B)) / lead − low) / (high − low))`, the green channel limited to the larger of the others, then laid over.
/// - One loop over nine planes: every value is read once and written once, so that the memory is the only limit.
/// - Agrees with the plain loop of its test to the last bits of float. Edges are not unmixed: for the finished matte use [Keyer].
public final class FastKey {
    private static final VectorSpecies<Float> S = FloatVector.SPECIES_PREFERRED;

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
        Planes p = new Planes(
                take.r().data(), take.g().data(), take.b().data(), base.r().data(), base.g().data(), base.b().data(),
                out.r().data(), out.g().data(), out.b().data());
        int w = take.width();
        bands.run(take.height(), (from, to, band) -> p.over(from * w, to * w, cut));
    }

    private record Planes(float[] r, float[] g, float[] b, float[] br, float[] bg, float[] bb, float[] toR, float[] toG, float[] toB) {
        void over(int from, int to, Cut cut) {
            float scale = 1 / (cut.high - cut.low);
            float slope = -scale / cut.lead;
            float rest = (1 - cut.low) * scale;
            int whole = from + S.loopBound(to - from);
            vectors(from, whole, FloatVector.broadcast(S, slope), FloatVector.broadcast(S, rest));
            for (int i = whole; i < to; i++) {
                float most = Math.max(r[i], b[i]);
                float alpha = Math.clamp(Math.fma(g[i] - most, slope, rest), 0f, 1f);
                toG[i] = Math.fma(Math.min(g[i], most) - bg[i], alpha, bg[i]);
                toR[i] = Math.fma(r[i] - br[i], alpha, br[i]);
                toB[i] = Math.fma(b[i] - bb[i], alpha, bb[i]);
            }
        }

        private void vectors(int from, int to, FloatVector slope, FloatVector rest) {
            for (int i = from; i < to; i += S.length()) {
                FloatVector vr = FloatVector.fromArray(S, r, i);
                FloatVector vg = FloatVector.fromArray(S, g, i);
                FloatVector vb = FloatVector.fromArray(S, b, i);
                FloatVector most = vr.max(vb);
                FloatVector alpha = vg.sub(most).fma(slope, rest).max(0f).min(1f);
                mix(vr, br, alpha, toR, i);
                mix(vg.min(most), bg, alpha, toG, i);
                mix(vb, bb, alpha, toB, i);
            }
        }

        private static void mix(FloatVector top, float[] base, FloatVector alpha, float[] out, int i) {
            FloatVector under = FloatVector.fromArray(S, base, i);
            top.sub(under).fma(alpha, under).intoArray(out, i);
        }
    }
}
