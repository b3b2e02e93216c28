package org.scenothesis.testkit;

import java.util.SplittableRandom;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Transfer;

/// A subject painted in layers before a cloth, with its truth: what keyers find hard, by hundreds, without a path tracer.
///
/// - What is seen is `α · (own colour + light of the cloth on it) + (1 − α) · cloth · shadow`, then noise, code values, half the chroma.
/// - The light of the cloth is multiplied by the surface's own colour and falls mostly on what turns away from the camera.
/// - Cases of one kind and seed are always the same.
public record MatteCase(Kind kind, long seed, boolean blue, int width) {
    /// What is hard about it.
    public enum Kind {
        HAIR, FAIR_HAIR, CURLS, VEIL, VEILS, LACE, STRINGS, MOTION, DEFOCUS, GLASS,
        SMOKE, PALE, DARK, SCREEN_LIKE, SKIN, SPILL, FLOOR, WRINKLES, UNEVEN, DIM
    }

    /// What is recorded, and the truth: coverage, straight colour without the cloth's light, light kept by the subject's shadow.
    public record Shots(Picture take, Picture screenOnly, Plane alpha, Picture subject, Plane kept) {}

    /// Films it.
    public Shots film(Bands bands) {
        return film(0, bands);
    }

    /// Films one frame of it: nothing moves, the noise of each is another.
    public Shots film(int frame, Bands bands) {
        int w = width;
        int h = width * 9 / 16;
        SplittableRandom random = new SplittableRandom(seed * 977 + kind.ordinal());
        MatteSubject subject = new MatteSubject(this, random, w, h);
        Painting p = subject.painted(bands);
        Plane kept = subject.kept();
        double[] cloth = subject.cloth();
        Picture bare = Picture.of(w, h);
        Picture seen = Picture.of(w, h);
        Picture own = Picture.of(w, h);
        for (int i = 0; i < w * h; i++) {
            double a = p.alpha[i];
            for (int c = 0; c < 3; c++) {
                double b = cloth[c] * subject.level(i % w, i / w);
                bare.colours().get(c).data()[i] = (float) b;
                seen.colours().get(c).data()[i] = (float) (p.lit[c][i] + (1 - a) * b * kept.data()[i]);
                own.colours().get(c).data()[i] = a > 1e-4 ? (float) (p.own[c][i] / a) : 0;
            }
        }
        Plane alpha = Plane.of(w, h);
        for (int i = 0; i < w * h; i++) {
            alpha.data()[i] = (float) p.alpha[i];
        }
        for (int k = 0; k < 2 * frame; k++) {
            random.split();
        }
        boolean poor = kind == Kind.DIM || seed % 3 == 2;
        return new Shots(recorded(seen, poor, random.split()), recorded(bare, poor, random.split()), alpha, own, kept);
    }

    /// Noise of a sensor, eight bits, and every other time chroma at half the size, as recorders have it.
    private Picture recorded(Picture light, boolean poor, SplittableRandom random) {
        double a = poor ? 2e-4 : 3e-5;
        double b = poor ? 1.6e-3 : 5e-4;
        int w = light.width();
        int h = light.height();
        double[][] code = new double[3][w * h];
        for (int c = 0; c < 3; c++) {
            float[] in = light.colours().get(c).data();
            for (int i = 0; i < in.length; i++) {
                double v = Math.max(0, in[i] + Math.sqrt(a * in[i] + b * b) * random.nextGaussian());
                code[c][i] = Transfer.SRGB.toCode(Math.min(1, v));
            }
        }
        if (seed % 2 == 1) {
            halveChroma(code, w, h);
        }
        Picture out = Picture.of(w, h);
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < w * h; i++) {
                out.colours().get(c).data()[i] = (float) Transfer.SRGB.toLinear(Math.clamp(Math.round(code[c][i] * 255) / 255.0, 0, 1));
            }
        }
        return out;
    }

    private static void halveChroma(double[][] rgb, int w, int h) {
        double[][] chroma = new double[2][w / 2 * (h / 2)];
        double[] luma = new double[w * h];
        for (int i = 0; i < w * h; i++) {
            luma[i] = Luminance.of(rgb[0][i], rgb[1][i], rgb[2][i]);
        }
        for (int y = 0; y < h / 2; y++) {
            for (int x = 0; x < w / 2; x++) {
                for (int k = 0; k < 4; k++) {
                    int i = (2 * y + k / 2) * w + 2 * x + k % 2;
                    chroma[0][y * (w / 2) + x] += (rgb[0][i] - luma[i]) / 4;
                    chroma[1][y * (w / 2) + x] += (rgb[2][i] - luma[i]) / 4;
                }
            }
        }
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int i = y * w + x;
                double red = luma[i] + between(chroma[0], w / 2, h / 2, x / 2.0 - 0.25, y / 2.0 - 0.25);
                double blue = luma[i] + between(chroma[1], w / 2, h / 2, x / 2.0 - 0.25, y / 2.0 - 0.25);
                rgb[0][i] = red;
                rgb[2][i] = blue;
                rgb[1][i] = (luma[i] - Luminance.RED * red - Luminance.BLUE * blue) / Luminance.GREEN;
            }
        }
    }

    private static double between(double[] v, int w, int h, double x, double y) {
        int left = (int) Math.floor(x);
        int top = (int) Math.floor(y);
        double fx = x - left;
        double fy = y - top;
        int l = Math.clamp(left, 0, w - 1);
        int r = Math.clamp(left + 1, 0, w - 1);
        int t = Math.clamp(top, 0, h - 1);
        int b = Math.clamp(top + 1, 0, h - 1);
        return (v[t * w + l] * (1 - fx) + v[t * w + r] * fx) * (1 - fy) + (v[b * w + l] * (1 - fx) + v[b * w + r] * fx) * fy;
    }
}
