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
    /// What one more of despill adds.
    private static final double EVENLY = 0.05;
    /// How much the usual weighs against what is seen.
    private static final double PRIOR = 0.2;
    private static final double[] BLURS = {0.006, 0.018, 0.05};
    private static final double NEARBY = 0.04;
    private static final double LEAST_LIGHT = 0.25;
    private static final double MOST_LIGHT = 1.1;
    /// The fourth mean of what is nearby lies below its brightest.
    private static final double BRIGHTEST = 1.2;

    private final ScreenModel model;
    /// Of each colour: number, and sums of the two regressors, the lean, and their products.
    private final double[][] sums = new double[COLOURS][9];

    SpillLight(ScreenModel model) {
        this.model = model;
    }

    /// Looks at one more element whose spill was left on it; `inside`: coverage of the garbage matte.
    void add(Picture element, Plane inside, Bands bands) {
        Lit l = new Lit(element, inside, model, bands);
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
        double[] others = others(model);
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
    ///
    /// - `despill`: 1 for what was found; each more adds light that falls evenly from all of the cloth, which a picture tells least of.
    static Plane share(Picture element, Plane inside, ScreenModel model, double despill, Bands bands) {
        Slopes s = model.spill();
        if (s == null) {
            SpillLight fit = new SpillLight(model);
            fit.add(element, inside, bands);
            s = fit.slopes();
        }
        double found = Math.min(1, despill);
        double edge = found * s.edge;
        double everywhere = found * s.everywhere + EVENLY * Math.max(0, despill - 1);
        Lit l = new Lit(element, inside, model, bands);
        Plane q = Plane.of(l.alpha.width(), l.alpha.height());
        for (int i = 0; i < q.data().length; i++) {
            q.data()[i] = (float) Math.min(MOST_SHARE, (edge * l.turned.data()[i] + everywhere) / l.light.data()[i]);
        }
        int w = element.width();
        int h = element.height();
        return Resample.twice(Resample.twice(q, (w + 1) / 2, (h + 1) / 2, bands), w, h, bands);
    }

    /// The mean of the cloth's other two channels over the screen's.
    static double[] others(ScreenModel model) {
        double s = Math.max(1e-6, mean(model.hue().screen(model.colour())));
        return new double[] {Math.min(1, mean(model.hue().first(model.colour())) / s),
                Math.min(1, mean(model.hue().second(model.colour())) / s)};
    }

    private static double mean(Plane p) {
        double sum = 0;
        for (int i = 0; i < p.data().length; i += 11) {
            sum += p.data()[i];
        }
        return sum * 11 / p.data().length;
    }

    /// An element at a quarter of its size: its channels, how far it turns away, and how much of the light around falls on it.
    private static final class Lit {
        private final Plane first;
        private final Plane second;
        private final Plane screen;
        private final Plane alpha;
        private final Plane turned;
        private final Plane light;

        Lit(Picture element, Plane inside, ScreenModel model, Bands bands) {
            ScreenHue hue = model.hue();
            first = quarter(hue.first(element), bands);
            screen = quarter(hue.screen(element), bands);
            second = quarter(hue.second(element), bands);
            alpha = quarter(element.alpha(), bands);
            // Of the whole picture, of which this may be a part.
            double across = model.across() / 4.0;
            turned = turned(quarter(inside, bands), across, bands);
            light = light(NEARBY * across, bands);
        }

        private static Plane quarter(Plane p, Bands bands) {
            return Resample.half(Resample.half(p, bands), bands);
        }

        /// 0 in the middle of something wide, 1 at its edge and on what is thin. Where the garbage matte cuts there is no edge.
        private Plane turned(Plane inside, double across, Bands bands) {
            Plane out = Plane.of(alpha.width(), alpha.height());
            for (double share : BLURS) {
                Plane full = Blur.gaussian(alpha, share * across, bands);
                Plane counts = Blur.gaussian(inside, share * across, bands);
                for (int i = 0; i < out.data().length; i++) {
                    float a = full.data()[i] / Math.max(1e-3f, counts.data()[i]);
                    out.data()[i] += Math.clamp(2 * (1 - a), 0, 1) / BLURS.length;
                }
            }
            return out;
        }

        /// Brightness over that of the brightest nearby.
        private Plane light(double sigmaPx, Bands bands) {
            Plane high = Plane.of(alpha.width(), alpha.height());
            Plane counts = Plane.of(alpha.width(), alpha.height());
            for (int i = 0; i < high.data().length; i++) {
                float l = first.data()[i] + second.data()[i];
                boolean solid = alpha.data()[i] > 0.9f;
                high.data()[i] = solid ? l * l * l * l : 0;
                counts.data()[i] = solid ? 1 : 0;
            }
            Plane sum = Blur.gaussian(high, sigmaPx, bands);
            Plane number = Blur.gaussian(counts, sigmaPx, bands);
            for (int i = 0; i < sum.data().length; i++) {
                double most = BRIGHTEST * Math.sqrt(Math.sqrt(Math.max(0, sum.data()[i]) / Math.max(1e-4f, number.data()[i])));
                double l = first.data()[i] + second.data()[i];
                sum.data()[i] = (float) Math.clamp(l / Math.max(1e-4, most), LEAST_LIGHT, MOST_LIGHT);
            }
            return sum;
        }
    }
}
