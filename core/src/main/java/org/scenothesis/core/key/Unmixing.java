package org.scenothesis.core.key;

import java.util.Arrays;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// How much of the subject is in each pixel of the band between empty and solid: three answers, each believed as far as what is seen could
/// be mixed that way.
///
/// - *Own*: the subject leads nowhere by the screen's channel but for the cloth's light on it, which bright things send back; right for
///   hair, strings, veils, smoke and whatever has no solid part nearby. Needs nothing but the separation.
/// - *Nearest*: the separation over that of the nearest solid colour; right where that colour mixes with the cloth to what is seen, as at
///   the edges of skin and clothes and of what moves.
/// - *Line*: how far along the line from the cloth's colour to that of a solid pixel close by; the sharpest, since it uses the channel that
///   is recorded sharpest, but only where what is seen lies on that line.
///
/// The noise of the bare cloth is taken off what is nearly empty. Decision 0056 has what was tried and what each gained.
final class Unmixing {
    /// A peak: as high as this, and nothing near it much higher.
    private static final float PEAK = 0.9f;
    private static final float HIGHEST = 1.6f;
    private static final float RISE = 0.08f;
    private static final int REACH_PX = 3;
    /// Of the separation of the nearest solid colour; less is a soft edge, however high.
    private static final float SURE = 0.85f;
    private static final int BESIDE_PX = 2;
    /// How much of the cloth's lead a white surface before it sends back, usually.
    private static final float RETURNED = 0.25f;
    private static final float LEAST_WHOLE = 0.3f;
    /// How far what is seen may lie from a mixture: noise, and for the nearest colour a share of it for its shading.
    private static final float NOISE = 0.03f;
    private static final float SHADING = 0.15f;
    private static final float LINE_NOISE = 0.04f;
    /// From here on it is solid but for noise.
    private static final float FULL = 0.95f;
    private static final double CALM_PX = 0.9;
    /// Where it fades out, a wide surface has to stand out of the noise this many times; below that share of nearness nothing is left.
    private static final double WIDE_PX = 3;
    private static final float WIDE_NOISE = 2;
    private static final float FADED = 0.97f;
    private static final float GONE = 0.02f;
    private static final float LEAST_NOISE = 0.004f;
    private static final float MOST_NOISE = 0.12f;

    private Unmixing() {}

    /// What was found before: separation, solid by its cut, the same deep inside, not surely empty (fading out), the separation of the
    /// nearest solid
    /// colour, solid pixels that may be thin.
    record Found(Plane separation, Plane known, Plane deep, Plane near, Plane whole, Plane peaks) {}

    /// Where the separation does not rise any more within a few pixels: the soft edge of something out of focus or in motion is high long
    /// before it is solid.
    static Plane level(Plane separation, Bands bands) {
        int w = separation.width();
        Plane out = Plane.of(w, separation.height());
        bands.run(out.height(), (from, to, band) -> {
            for (int i = from * w; i < to * w; i++) {
                out.data()[i] = Math.min(separation.data()[i], HIGHEST);
            }
        });
        Plane most = Morphology.dilate(out, REACH_PX, bands);
        bands.run(out.height(), (from, to, band) -> {
            for (int i = from * w; i < to * w; i++) {
                out.data()[i] = out.data()[i] > most.data()[i] - RISE ? 1 : 0;
            }
        });
        return out;
    }

    /// Solid pixels, thin things too.
    static Plane peaks(Plane separation, Plane level) {
        Plane out = level.copy();
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = separation.data()[i] >= PEAK ? out.data()[i] : 0;
        }
        return out;
    }

    static Plane coverage(Picture frame, Keyer.Mix mix, Found found, Bands bands) {
        int w = frame.width();
        Plane out = Plane.of(w, frame.height());
        float[] known = found.known.data();
        float[] deep = found.deep.data();
        float[] near = found.near.data();
        float[] whole = found.whole.data();
        float[] calm = Blur.gaussian(found.separation, CALM_PX, bands).data();
        float[] wide = Blur.gaussian(found.separation, WIDE_PX, bands).data();
        float[] beside = Blur.gaussian(Morphology.dilate(found.peaks, BESIDE_PX, bands), 1, bands).data();
        float noise = Math.clamp(noise(found.separation.data()), LEAST_NOISE, MOST_NOISE);
        float tail = -1 / (9 * noise * noise);
        var seen = new Seen(frame, mix, found);
        bands.run(frame.height(), (from, to, band) -> {
            for (int i = from * w; i < to * w; i++) {
                if (deep[i] > 0.5f || known[i] > 0.5f && calm[i] > SURE * Math.min(whole[i], HIGHEST)) {
                    out.data()[i] = 1;
                } else if (near[i] > GONE && calm[i] >= noise && (near[i] > FADED || wide[i] > WIDE_NOISE * noise)) {
                    float a = seen.mixed(i, beside[i]);
                    a = Math.max(0, a - noise * (float) Math.exp(a * a * tail)) * Math.min(1, 2 * near[i]);
                    out.data()[i] = a > FULL ? Math.min(1, 2 * a - FULL) : a;
                }
            }
        });
        return out;
    }

    /// The deviation of the separation on bare cloth: most of what is nearly empty.
    private static float noise(float[] separation) {
        float[] v = new float[separation.length / 7 + 1];
        int n = 0;
        for (int i = 0; i < separation.length; i += 7) {
            if (Math.abs(separation[i]) < 0.3f) {
                v[n++] = Math.abs(separation[i]);
            }
        }
        Arrays.sort(v, 0, n);
        return n == 0 ? 0 : 1.4826f * v[n / 2];
    }

    /// The planes of a frame at hand.
    private static final class Seen {
        private final float[][] frame = new float[3][];
        private final float[][] cloth = new float[3][];
        private final float[][] solid = new float[3][];
        private final float[] shade;
        private final float[] separation;
        private final float[] whole;
        private final int second;

        Seen(Picture frame, Keyer.Mix mix, Found found) {
            for (int c = 0; c < 3; c++) {
                this.frame[c] = frame.colours().get(c).data();
                cloth[c] = mix.model().colour().colours().get(c).data();
                solid[c] = mix.colour().get(c).data();
            }
            shade = mix.shade().data();
            separation = found.separation.data();
            whole = found.whole.data();
            second = mix.model().hue() == ScreenHue.GREEN ? 2 : 1;
        }

        float mixed(int i, float beside) {
            float own = own(i);
            float nearest = Math.clamp(separation[i] / Math.max(LEAST_WHOLE, whole[i]), 0, 1);
            float k = shade[i];
            float off = 0;
            float dot = 0;
            float length = 0;
            float all = 0;
            for (int c = 0; c < 3; c++) {
                float bare = cloth[c][i] * k;
                float line = solid[c][i] - bare;
                float d = frame[c][i] - bare;
                float left = d - nearest * line;
                off += left * left;
                dot += d * line;
                length += line * line;
                all += d * d;
            }
            float far = NOISE + SHADING * nearest;
            float believed = far * far / (far * far + 4 * off);
            float a = own + (nearest - own) * believed * believed;
            float along = dot / Math.max(1e-6f, length);
            float rest = Math.max(0, all - along * dot);
            float fits = LINE_NOISE * LINE_NOISE / (LINE_NOISE * LINE_NOISE + rest) * beside;
            return a + (Math.clamp(along, 0, 1) - a) * fits * fits;
        }

        /// Brighter things send back more of the cloth's light, which counts as cloth in the separation.
        private float own(int i) {
            float s = Math.clamp(separation[i], 0, 1);
            float bare = shade[i] * (cloth[0][i] + cloth[second][i]);
            float a = s;
            for (int n = 0; n < 2; n++) {
                float bright = 0.5f * (frame[0][i] + frame[second][i] - (1 - a) * bare) / Math.max(0.05f, a);
                a = Math.min(1, s / (1 - RETURNED * Math.clamp(bright, 0, 1)));
            }
            return a;
        }
    }
}
