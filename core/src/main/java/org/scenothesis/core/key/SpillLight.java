package org.scenothesis.core.key;

import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;

/// The cloth's light on the subject, taken off as the light it is.
///
/// - A surface of colour `A` under light `E` and the cloth's `k·c` is seen as `A·(E + k·c)`: the screen's channel is raised by the share
///   `k·c/E`, most where the surface turns away from the camera (by the matte, blurred) and where other light is weak.
/// - How much that is follows from the pictures: surfaces of one colour, told by their other two channels, lean to the screen's towards the
///   edge and in the shade. The slopes all colours have in common are found by least squares, drawn to what cloths usually do.
/// - Found at a quarter of the size, since light is smooth.
public final class SpillLight {
    /// The share of the screen's channel that is the cloth's light, over the rest: at the edge of something wide, and everywhere, both
    /// under full light.
    public record Slopes(double edge, double everywhere) {
        /// None of the cloth's light falls on the subject.
        public static final Slopes NONE = new Slopes(0, 0);
        /// What cloths usually do; for want of anything measured.
        static final Slopes USUAL = new Slopes(0.12, 0.025);
        private static final Slopes MOST = new Slopes(0.5, 0.15);
    }

    private static final int COLOURS = 14;
    private static final int PER_OCTAVE = 3;
    private static final int LEAST_OF_A_COLOUR = 12;
    private static final float DARKEST = 0.004f;
    private static final float SOLID = 0.97f;
    private static final float MOST_SHARE = 0.6f;
    /// How much the usual weighs against what is seen.
    private static final double PRIOR = 0.2;
    private static final double[] BLURS = {0.006, 0.018, 0.05};
    private static final double NEARBY = 0.04;
    private static final double LEAST_LIGHT = 0.25;
    private static final double MOST_LIGHT = 1.1;
    /// The fourth mean of what is nearby lies below its brightest.
    private static final double BRIGHTEST = 1.2;

    private final boolean green;
    private final double[] others;
    /// Of each colour: number, and sums of the two regressors, the lean, and their products.
    private final double[][] sums = new double[COLOURS][9];

    SpillLight(ScreenModel model) {
        green = model.hue() == ScreenHue.GREEN;
        others = others(model);
    }

    /// Looks at one more keyed frame whose spill was left on it.
    void add(Picture element, Plane alpha, Bands bands) {
        Lit l = new Lit(element, alpha, green, bands);
        Plane solid = Morphology.erode(l.alpha, 1, bands);
        for (int i = 0; i < solid.data().length; i++) {
            float r = l.first.data()[i];
            float o = l.second.data()[i];
            float s = l.screen.data()[i];
            if (solid.data()[i] >= SOLID && r >= DARKEST && o >= DARKEST && s >= DARKEST) {
                int hue = (int) Math.floor(Math.log(r / o) / Math.log(2) * PER_OCTAVE + COLOURS / 2.0);
                double[] v = sums[Math.clamp(hue, 0, COLOURS - 1)];
                double edge = l.turned.data()[i] / l.light.data()[i];
                double all = 1 / l.light.data()[i];
                double lean = Math.log(s / Math.sqrt(r * o));
                double[] more = {1, edge, all, lean, edge * edge, edge * all, all * all, edge * lean, all * lean};
                for (int k = 0; k < v.length; k++) {
                    v[k] += more[k];
                }
            }
        }
    }

    /// What was found: the usual where nothing was.
    Slopes slopes() {
        // What of the lean is left when the other channels are raised too.
        double gain = 1 - 0.5 * (others[0] + others[1]);
        double n = 1;
        double ee = 0;
        double ea = 0;
        double aa = 0;
        double el = 0;
        double al = 0;
        for (double[] v : sums) {
            if (v[0] > LEAST_OF_A_COLOUR) {
                n += v[0];
                ee += v[4] - v[1] * v[1] / v[0];
                ea += v[5] - v[1] * v[2] / v[0];
                aa += v[6] - v[2] * v[2] / v[0];
                el += v[7] - v[1] * v[3] / v[0];
                al += v[8] - v[2] * v[3] / v[0];
            }
        }
        ee += PRIOR * n;
        aa += PRIOR * n;
        el += PRIOR * n * Slopes.USUAL.edge * gain;
        al += PRIOR * n * Slopes.USUAL.everywhere * gain;
        double det = ee * aa - ea * ea;
        double edge = (el * aa - al * ea) / det;
        double everywhere = (al * ee - el * ea) / det;
        if (everywhere < 0) {
            edge = el / ee;
        } else if (edge < 0) {
            everywhere = al / aa;
        }
        return new Slopes(Math.clamp(edge / gain, 0, Slopes.MOST.edge), Math.clamp(everywhere / gain, 0, Slopes.MOST.everywhere));
    }

    /// The share of the cloth's light in the screen's channel over the rest, at every pixel of an element whose spill is still on it.
    static Plane share(Picture element, Plane alpha, ScreenModel model, Bands bands) {
        Slopes known = model.spill();
        SpillLight fit = new SpillLight(model);
        if (known == null) {
            fit.add(element, alpha, bands);
        }
        Slopes s = known == null ? fit.slopes() : known;
        Lit l = new Lit(element, alpha, fit.green, bands);
        Plane q = Plane.of(l.alpha.width(), l.alpha.height());
        for (int i = 0; i < q.data().length; i++) {
            q.data()[i] = (float) Math.min(MOST_SHARE, (s.edge * l.turned.data()[i] + s.everywhere) / l.light.data()[i]);
        }
        int w = element.width();
        int h = element.height();
        return Resample.twice(Resample.twice(q, (w + 1) / 2, (h + 1) / 2, bands), w, h, bands);
    }

    /// The mean of the cloth's other two channels over the screen's.
    static double[] others(ScreenModel model) {
        boolean green = model.hue() == ScreenHue.GREEN;
        double[] sum = new double[3];
        for (int i = 0; i < model.colour().r().data().length; i += 11) {
            for (int c = 0; c < 3; c++) {
                sum[c] += model.colour().colours().get(c).data()[i];
            }
        }
        double s = Math.max(1e-6, green ? sum[1] : sum[2]);
        return new double[] {Math.min(1, sum[0] / s), Math.min(1, (green ? sum[2] : sum[1]) / s)};
    }

    /// An element at a quarter of its size: its channels, how far it turns away, and how much of the light around falls on it.
    private static final class Lit {
        private final Plane first;
        private final Plane second;
        private final Plane screen;
        private final Plane alpha;
        private final Plane turned;
        private final Plane light;

        Lit(Picture element, Plane alpha, boolean green, Bands bands) {
            first = quarter(element.r(), bands);
            screen = quarter(green ? element.g() : element.b(), bands);
            second = quarter(green ? element.b() : element.g(), bands);
            this.alpha = quarter(alpha, bands);
            turned = turned(bands);
            light = light(bands);
        }

        private static Plane quarter(Plane p, Bands bands) {
            return Resample.half(Resample.half(p, bands), bands);
        }

        /// 0 in the middle of something wide, 1 at its edge and on what is thin.
        private Plane turned(Bands bands) {
            Plane out = Plane.of(alpha.width(), alpha.height());
            for (double share : BLURS) {
                Plane b = Blur.gaussian(alpha, share * alpha.width(), bands);
                for (int i = 0; i < out.data().length; i++) {
                    out.data()[i] += Math.min(1, 2 * (1 - b.data()[i])) / BLURS.length;
                }
            }
            return out;
        }

        /// Brightness over that of the brightest nearby.
        private Plane light(Bands bands) {
            Plane high = Plane.of(alpha.width(), alpha.height());
            Plane counts = Plane.of(alpha.width(), alpha.height());
            for (int i = 0; i < high.data().length; i++) {
                float l = first.data()[i] + second.data()[i];
                boolean solid = alpha.data()[i] > 0.9f;
                high.data()[i] = solid ? l * l * l * l : 0;
                counts.data()[i] = solid ? 1 : 0;
            }
            Plane sum = Blur.gaussian(high, NEARBY * alpha.width(), bands);
            Plane number = Blur.gaussian(counts, NEARBY * alpha.width(), bands);
            for (int i = 0; i < sum.data().length; i++) {
                double most = BRIGHTEST * Math.sqrt(Math.sqrt(Math.max(0, sum.data()[i]) / Math.max(1e-4f, number.data()[i])));
                double l = first.data()[i] + second.data()[i];
                sum.data()[i] = (float) Math.clamp(l / Math.max(1e-4, most), LEAST_LIGHT, MOST_LIGHT);
            }
            return sum;
        }
    }
}
