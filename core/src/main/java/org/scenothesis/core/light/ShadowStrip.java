package org.scenothesis.core.light;

import java.util.Optional;
import java.util.stream.IntStream;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;

/// The shadow of something upright and narrow along its length on the ground: how wide its edges grow with the distance from what throws
/// it, and how dark it is.
///
/// - Model: across the shadow, a strip of constant width seen by a round source hides (F((s + b/2)/r) − F((s − b/2)/r)) of it, F the share
///   of a disc beside a line; r = distance · tan(size / 2), with the picture's own blur. The one size, width and darkness that fit all
///   places along the shadow are searched, over the lit ground at both sides.
final class ShadowStrip {
    private static final int PLACES = 28;
    private static final int ACROSS = 61;
    private static final int SIZES = 36;
    private static final int WIDTHS = 14;
    /// So many places are believed to be whole, however soft the light is.
    private static final int FIRST = 4;
    private static final double FROM = 0.02;
    private static final double NARROWEST_DEG = 0.1;
    private static final double WIDEST_DEG = 75;

    /// - `sizeDeg`: of the source; `dark`: share of the light on the ground that is missing in full shadow, of red, green, blue, and of
    ///   them together; `off`: deviations of size and of the share together; `umbraPx`: how wide it is in the picture where it begins.
    record Read(double sizeDeg, double sizeOff, double[] dark, double all, double allOff, double umbraPx) {}

    private final PictureCamera camera;
    private final Picture picture;
    private final Vec base;
    private final Vec along;
    private final Vec side;
    private final double lengthM;
    private final double upDeg;
    private final double seenM;
    private final LightMarks.Shadow marks;
    private final double clearPx;
    private final double blurPx;

    /// - `marks`: what throws it, in pixels; `base`, `tip`: on the ground, in metres; `upDeg`: how high the light stands. `girth`: of what
    ///   throws it, whose edges show the picture's blur; `wideM`: how wide it is, NaN where that could not be seen.
    ShadowStrip(PictureCamera camera, Picture picture, LightMarks.Shadow marks, Vec base, Vec tip, double upDeg, RoundObject girth,
            double wideM) {
        this.marks = marks;
        clearPx = Double.isNaN(girth.px()) ? 0 : 0.6 * girth.px() + 2;
        blurPx = girth.blurPx();
        seenM = wideM;
        this.camera = camera;
        this.picture = picture;
        this.base = base;
        this.upDeg = upDeg;
        Vec d = tip.minus(base);
        lengthM = d.length();
        along = d.unit();
        side = new Vec(along.z(), 0, -along.x());
    }

    /// Samples of one place: across in metres, brightness of three channels and together against the lit ground at both sides; size of a
    /// pixel there in metres.
    private record Place(double u, double[] s, double[][] missing, double perPx) {}

    private Optional<Place> place(double u, double halfM) {
        Vec m = base.plus(along.times(u));
        Point at = camera.project(m).orElse(null);
        Point beside = camera.project(m.plus(side.times(0.01 * halfM))).orElse(null);
        if (at == null || beside == null || at.x() < 2 || at.y() < 2 || at.x() > picture.width() - 3 || at.y() > picture.height() - 3) {
            return Optional.empty();
        }
        double perPx = 0.01 * halfM / Math.max(1e-9, beside.minus(at).length());
        double[] s = new double[ACROSS];
        double[][] v = new double[4][ACROSS];
        for (int i = 0; i < ACROSS; i++) {
            s[i] = halfM * (2.0 * i / (ACROSS - 1) - 1);
            Point p = camera.project(m.plus(side.times(s[i]))).orElse(null);
            if (p == null || p.x() < 1 || p.y() < 1 || p.x() > picture.width() - 2 || p.y() > picture.height() - 2) {
                return Optional.empty();
            }
            boolean hides = hides(p);
            for (int c = 0; c < 3; c++) {
                v[c][i] = hides ? Double.NaN : Resample.linear(picture.colours().get(c), p.x(), p.y());
            }
            v[3][i] = Luminance.of(v[0][i], v[1][i], v[2][i]);
        }
        for (int c = 0; c < 4; c++) {
            lit(s, v[c]);
        }
        return Optional.of(new Place(u, s, v, perPx));
    }

    /// Whether what throws the shadow stands before a point of the picture.
    private boolean hides(Point p) {
        Point d = marks.top().minus(marks.base());
        Point q = p.minus(marks.base());
        double t = Math.clamp((q.x() * d.x() + q.y() * d.y()) / (d.x() * d.x() + d.y() * d.y()), 0, 1);
        return q.minus(d.times(t)).length() < clearPx;
    }

    /// Turns brightness into what is missing of the lit ground: a line through the outer fifths.
    private static void lit(double[] s, double[] v) {
        double n = 0;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double sxy = 0;
        for (int i = 0; i < v.length; i++) {
            if ((i < v.length / 5 || i >= v.length - v.length / 5) && !Double.isNaN(v[i])) {
                n++;
                sx += s[i];
                sy += v[i];
                sxx += s[i] * s[i];
                sxy += s[i] * v[i];
            }
        }
        double slope = (n * sxy - sx * sy) / (n * sxx - sx * sx);
        double middle = (sy - slope * sx) / n;
        for (int i = 0; i < v.length; i++) {
            v[i] = 1 - v[i] / Math.max(1e-6, middle + slope * s[i]);
        }
    }

    /// Share of a disc of radius 1 that lies below `x`.
    private static double disc(double x) {
        return x <= -1 ? 0 : x >= 1 ? 1 : 0.5 + (x * Math.sqrt(1 - x * x) + Math.asin(x)) / Math.PI;
    }

    /// Of the penumbra, with what the picture's own blur adds.
    private double radius(Place p, double sizeDeg) {
        return radius(p.u, sizeDeg, blurPx * p.perPx);
    }

    private double radius(double u, double sizeDeg, double blurM) {
        double r = u / Math.cos(Math.toRadians(upDeg)) * Math.tan(Math.toRadians(sizeDeg) / 2);
        return Math.sqrt(r * r + 4 * blurM * blurM);
    }

    /// As far as the whole source stands behind what throws the shadow, not over its top.
    private double farthest(double sizeDeg, double heightM) {
        double steep = Math.min(88, upDeg + sizeDeg / 2);
        return Math.min(0.85 * lengthM, 0.95 * heightM / Math.tan(Math.toRadians(steep)));
    }

    /// What is read of it; empty where too little of it lies in the picture.
    Optional<Read> read() {
        double heightM = lengthM * Math.tan(Math.toRadians(upDeg));
        double half = 0.12 * lengthM;
        Read best = null;
        double size = 5;
        for (int round = 0; round < 4; round++) {
            double far = farthest(size, heightM);
            Place[] places = new Place[PLACES];
            int n = 0;
            for (int i = 0; i < PLACES; i++) {
                // Denser where it begins, where a soft shadow is whole.
                double near = Math.min(0.5 * far, Math.max(FROM * lengthM, Double.isNaN(seenM) ? 0 : 0.75 * seenM));
                double u = near * Math.pow(far / near, i / (PLACES - 1.0));
                Place p = place(u, half).orElse(null);
                if (p != null) {
                    places[n++] = p;
                }
            }
            if (n < PLACES / 3) {
                return Optional.ofNullable(best);
            }
            Found f = search(places, n, heightM);
            best = f.read;
            double wide = radius(far, f.read.sizeDeg, 0) + f.wideM / 2;
            if (Math.abs(Math.log(f.read.sizeDeg / size)) < 0.05 && Math.abs(Math.log(2.2 * wide / half)) < 0.2) {
                break;
            }
            size = f.read.sizeDeg;
            half = Math.clamp(2.2 * wide, 0.02 * lengthM, 1.2 * lengthM);
        }
        return Optional.ofNullable(best);
    }

    private record Found(Read read, double wideM) {}

    private Found search(Place[] places, int n, double heightM) {
        double bestCost = Double.MAX_VALUE;
        double bestSize = 1;
        double bestWide = 0.05 * heightM;
        double[] bySize = new double[SIZES];
        double[] sizes = new double[SIZES];
        for (int i = 0; i < SIZES; i++) {
            sizes[i] = NARROWEST_DEG * Math.pow(WIDEST_DEG / NARROWEST_DEG, i / (SIZES - 1.0));
            bySize[i] = Double.MAX_VALUE;
            for (double wide : widths(heightM)) {
                double cost = cost(places, n, sizes[i], wide);
                bySize[i] = Math.min(bySize[i], cost);
                if (cost < bestCost) {
                    bestCost = cost;
                    bestSize = sizes[i];
                    bestWide = wide;
                }
            }
        }
        // Finer, round the best.
        for (double step = 0.06; step > 0.004; step /= 2) {
            for (int round = 0; round < 6; round++) {
                double[][] near = {{step, 0}, {-step, 0}, {0, step}, {0, -step}};
                for (double[] d : near) {
                    double s = bestSize * Math.exp(d[0]);
                    double w = bestWide * Math.exp(d[1]);
                    double cost = allowed(w) ? cost(places, n, s, w) : Double.MAX_VALUE;
                    if (cost < bestCost) {
                        bestCost = cost;
                        bestSize = s;
                        bestWide = w;
                    }
                }
            }
        }
        // Texture of the ground does not change from sample to sample: fewer of them count.
        double free = Math.max(4, n * ACROSS / 12.0);
        double unit = bestCost / free;
        double low = bestSize;
        double high = bestSize;
        for (int i = 0; i < SIZES; i++) {
            if (bySize[i] < bestCost + unit) {
                low = Math.min(low, sizes[i]);
                high = Math.max(high, sizes[i]);
            }
        }
        double[] hidden = hidden(places, n, bestSize, bestWide);
        int whole = whole(places, n, bestSize, bestWide);
        double[] dark = new double[3];
        for (int c = 0; c < 3; c++) {
            dark[c] = dark(places, whole, hidden, c)[0];
        }
        double[] all = dark(places, whole, hidden, 3);
        // What the picture's own blur hides.
        Place last = places[n - 1];
        double blurred = Math.toDegrees(2 * Math.atan(0.6 * blurPx * last.perPx / (last.u / Math.cos(Math.toRadians(upDeg)))));
        double off = Math.hypot(Math.max((high - low) / 2, 0.05 * bestSize), blurred);
        return new Found(new Read(bestSize, off, dark, all[0], Math.sqrt(unit / Math.max(1e-9, all[1]) * 12) + 0.01 * all[0],
                bestWide / places[0].perPx), bestWide);
    }

    /// A narrow dark shadow and a wide pale one look alike once they are soft: what was seen of the width decides.
    private double[] widths(double heightM) {
        return Double.isNaN(seenM) ? IntStream.range(0, WIDTHS).mapToDouble(k -> 0.004 * heightM * Math.pow(150, k / (WIDTHS - 1.0)))
                .toArray() : new double[] {0.94 * seenM, seenM, 1.06 * seenM};
    }

    private boolean allowed(double wideM) {
        return Double.isNaN(seenM) || wideM > 0.92 * seenM && wideM < 1.08 * seenM;
    }

    /// The share of the source that is hidden at every sample, place after place.
    private double[] hidden(Place[] places, int n, double sizeDeg, double wideM) {
        double[] out = new double[n * ACROSS];
        for (int i = 0; i < n; i++) {
            double r = radius(places[i], sizeDeg);
            for (int k = 0; k < ACROSS; k++) {
                double s = places[i].s[k];
                out[i * ACROSS + k] = Math.abs(s) > r + wideM ? 0 : disc((s + wideM / 2) / r) - disc((s - wideM / 2) / r);
            }
        }
        return out;
    }

    /// Of how many places the shadow is whole, or nearly.
    private int whole(Place[] places, int n, double sizeDeg, double wideM) {
        int i = 0;
        while (i < n && (i < FIRST || radius(places[i], sizeDeg) < 0.5 * wideM)) {
            i++;
        }
        return i;
    }

    /// The darkness that fits best where the shadow is whole, and how much there is to fit it to.
    private double[] dark(Place[] places, int whole, double[] hidden, int channel) {
        double bb = 0;
        double bm = 0;
        for (int i = 0; i < whole; i++) {
            for (int k = 0; k < ACROSS; k++) {
                double m = places[i].missing[channel][k];
                if (!Double.isNaN(m)) {
                    double b = hidden[i * ACROSS + k];
                    bb += b * b;
                    bm += b * m;
                }
            }
        }
        return new double[] {bb < 1e-9 ? 0 : bm / bb, bb};
    }

    private double cost(Place[] places, int n, double sizeDeg, double wideM) {
        double[] hidden = hidden(places, n, sizeDeg, wideM);
        double a = Math.clamp(dark(places, whole(places, n, sizeDeg, wideM), hidden, 3)[0], 0, 0.999);
        double sum = 0;
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < ACROSS; k++) {
                double off = places[i].missing[3][k] - a * hidden[i * ACROSS + k];
                sum += Double.isNaN(off) ? 0 : off * off;
            }
        }
        return sum;
    }
}
