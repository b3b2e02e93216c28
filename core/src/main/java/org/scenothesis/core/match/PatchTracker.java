package org.scenothesis.core.match;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;
import org.scenothesis.core.Robust;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// Follows small patches of a reference to hundredths of a pixel, whatever their brightness and contrast became.
///
/// - Source: inverse compositional alignment (Baker & Matthews 2004) of patches brought to zero mean and unit length, so that gain and
///   offset drop out; the take is read by cubic interpolation.
/// - Finds steps of up to about 2 px from where it is told to look.
final class PatchTracker {
    private static final int HALF = 8;
    private static final int SIDE = 2 * HALF + 1;
    private static final int AREA = SIDE * SIDE;
    private static final float[] SMOOTH = {1 / 16f, 4 / 16f, 6 / 16f, 4 / 16f, 1 / 16f};
    private static final int TAPS = 8;
    /// Side of a patch, rounded up to whole vectors.
    private static final int WIDE = 24;
    private static final VectorSpecies<Float> S = FloatVector.SPECIES_256;
    private static final double LOOSEST_PX = 0.2;
    private static final int FEWEST = 40;
    /// Beyond this a point says nothing: a bare grey wall has no better ones and cannot be measured.
    private static final double HOPELESS_PX = 0.3;
    /// Eight-bit steps and compression leave at least this much, whatever a smooth wall looks like.
    private static final double LEAST_NOISE = 0.004;
    /// What no point is better than, by aliasing and interpolation.
    private static final double FLOOR_PX = 0.03;
    private static final int ROUNDS = 6;
    private static final double REACH = 3;
    private static final double LIKE = 0.7;

    private final List<Point> points;
    private final List<Patch> patches;
    private final double[] weights;

    PatchTracker(Plane reference, List<Point> corners) {
        List<Point> all = corners.stream().map(p -> new Point(Math.floor(p.x()) + 0.5, Math.floor(p.y()) + 0.5))
                .filter(p -> inside(reference, p)).toList();
        double noise = noise(reference);
        List<Patch> learnt = all.stream().map(p -> learn(reference, p)).sorted(Comparator.comparingDouble(Patch::looseness)).toList();
        // Points that noise alone would move too far help nobody, but a plain wall must still give some.
        List<Patch> firm = learnt.stream().filter(p -> p.looseness * noise < LOOSEST_PX).toList();
        patches = firm.size() >= FEWEST ? firm : learnt.stream().filter(p -> p.looseness * noise < HOPELESS_PX).limit(FEWEST).toList();
        points = patches.stream().map(Patch::at).toList();
        weights = patches.stream().mapToDouble(p -> 1 / (1 + Math.pow(p.looseness * noise / FLOOR_PX, 2))).toArray();
    }

    /// A learnt patch: pixels and slopes at unit length; `looseness` is the deviation in pixels that noise of deviation 1 would cause.
    private record Patch(Point at, float[] pixels, float[] gradX, float[] gradY, double[] inverse, double looseness) {}

    /// Deviation of the plane's noise by the median of second differences (Immerkaer 1996, made robust).
    private static double noise(Plane p) {
        double[] v = new double[2048];
        int n = 0;
        long step = Math.max(1, (long) p.width() * p.height() / v.length);
        for (long i = step; n < v.length && i < (long) p.width() * p.height() - step; i += step) {
            int x = (int) (i % p.width());
            int y = (int) (i / p.width());
            if (x > 0 && y > 0 && x < p.width() - 1 && y < p.height() - 1) {
                double d = p.at(x - 1, y - 1) - 2 * p.at(x, y - 1) + p.at(x + 1, y - 1)
                        - 2 * (p.at(x - 1, y) - 2 * p.at(x, y) + p.at(x + 1, y))
                        + p.at(x - 1, y + 1) - 2 * p.at(x, y + 1) + p.at(x + 1, y + 1);
                v[n++] = Math.abs(d) / 6;
            }
        }
        return Math.max(LEAST_NOISE, Robust.median(Arrays.copyOf(v, n)) / 0.6745);
    }

    private static boolean inside(Plane p, Point c) {
        int room = HALF + 6;
        return c.x() > room && c.y() > room && c.x() < p.width() - room && c.y() < p.height() - room;
    }

    int size() {
        return points.size();
    }

    List<Point> points() {
        return points;
    }

    /// How much each point may say, in (0, 1].
    double[] weights() {
        return weights;
    }

    private static Patch learn(Plane ref, Point at) {
        float[] pixels = new float[AREA];
        float[] gradX = new float[AREA];
        float[] gradY = new float[AREA];
        float[] other = new float[AREA];
        sample(ref, at.x(), at.y(), pixels);
        slope(ref, at, 1, 0, gradX, other);
        slope(ref, at, 0, 1, gradY, other);
        double norm = normalise(pixels);
        centre(gradX, norm);
        centre(gradY, norm);
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (int k = 0; k < AREA; k++) {
            xx += gradX[k] * gradX[k];
            xy += gradX[k] * gradY[k];
            yy += gradY[k] * gradY[k];
        }
        double det = xx * yy - xy * xy;
        if (!(det > 1e-12)) {
            return new Patch(at, pixels, gradX, gradY, new double[3], Double.MAX_VALUE);
        }
        double weakest = (xx + yy) / 2 - Math.sqrt((xx - yy) * (xx - yy) / 4 + xy * xy);
        return new Patch(at, pixels, gradX, gradY, new double[] {yy / det, -xy / det, xx / det},
                1 / (norm * Math.sqrt(Math.max(1e-12, weakest))));
    }

    // Central difference, which is the derivative of the cubic interpolation at its nodes.
    private static void slope(Plane ref, Point at, int dx, int dy, float[] out, float[] other) {
        sample(ref, at.x() + dx, at.y() + dy, out);
        sample(ref, at.x() - dx, at.y() - dy, other);
        for (int k = 0; k < AREA; k++) {
            out[k] = (out[k] - other[k]) / 2;
        }
    }

    private static double normalise(float[] v) {
        double mean = 0;
        for (float f : v) {
            mean += f;
        }
        mean /= AREA;
        double sq = 0;
        for (float f : v) {
            sq += (f - mean) * (f - mean);
        }
        double norm = Math.sqrt(sq) + 1e-6;
        for (int k = 0; k < AREA; k++) {
            v[k] = (float) ((v[k] - mean) / norm);
        }
        return norm;
    }

    private static void centre(float[] g, double norm) {
        double mean = 0;
        for (float f : g) {
            mean += f;
        }
        mean /= AREA;
        for (int k = 0; k < AREA; k++) {
            g[k] = (float) ((g[k] - mean) / norm);
        }
    }

    /// Fills `to` with the place of each patch in the take, NaN for those not found again. `guess` says where to look.
    void follow(Plane take, PlanarMap guess, double[] to, Bands bands) {
        bands.run(points.size(), (from, end, band) -> {
            float[] seen = new float[AREA];
            for (int i = from; i < end; i++) {
                follow(take, guess.map(points.get(i)), i, seen, to);
            }
        });
    }

    private void follow(Plane take, Point start, int i, float[] seen, double[] to) {
        Patch p = patches.get(i);
        double x = start.x();
        double y = start.y();
        to[2 * i] = Double.NaN;
        to[2 * i + 1] = Double.NaN;
        double like = 0;
        for (int round = 0; round < ROUNDS; round++) {
            if (!within(x - start.x(), y - start.y()) || !inside(take, new Point(x, y))) {
                return;
            }
            sample(take, x, y, seen);
            normalise(seen);
            double bx = 0;
            double by = 0;
            like = 0;
            for (int k = 0; k < AREA; k++) {
                float e = seen[k] - p.pixels[k];
                bx += e * p.gradX[k];
                by += e * p.gradY[k];
                like += seen[k] * p.pixels[k];
            }
            double dx = p.inverse[0] * bx + p.inverse[1] * by;
            double dy = p.inverse[1] * bx + p.inverse[2] * by;
            x -= dx;
            y -= dy;
            if (Math.abs(dx) + Math.abs(dy) < 8e-3) {
                break;
            }
        }
        if (like > LIKE && within(x - start.x(), y - start.y())) {
            to[2 * i] = x;
            to[2 * i + 1] = y;
        }
    }

    private static boolean within(double x, double y) {
        return x * x + y * y < REACH * REACH;
    }

    /// Separable sampling, all taps of a patch sharing one fraction: cubic interpolation after a 1-4-6-4-1 smoothing that keeps aliases and
    /// noise out.
    private static void sample(Plane p, double cx, double cy, float[] out) {
        double fx = cx - 0.5 - HALF;
        double fy = cy - 0.5 - HALF;
        int x0 = (int) Math.floor(fx);
        int y0 = (int) Math.floor(fy);
        float[] kx = weights((float) (fx - x0));
        float[] ky = weights((float) (fy - y0));
        int high = SIDE + TAPS - 1;
        int at = (y0 - 3) * p.width() + x0 - 3;
        float[] rows = new float[high * WIDE];
        for (int r = 0; r < high; r++) {
            // Some columns more than the patch has: inside() leaves room for them.
            weighted(p.data(), at + r * p.width(), 1, kx, rows, r * WIDE);
        }
        float[] wide = new float[WIDE];
        for (int y = 0; y < SIDE; y++) {
            weighted(rows, y * WIDE, WIDE, ky, wide, 0);
            System.arraycopy(wide, 0, out, y * SIDE, SIDE);
        }
    }

    /// The weighted sum of `TAPS` runs of `WIDE` values, each `step` after the one before.
    private static void weighted(float[] in, int at, int step, float[] k, float[] out, int to) {
        for (int x = 0; x < WIDE; x += S.length()) {
            FloatVector sum = FloatVector.zero(S);
            for (int t = 0; t < TAPS; t++) {
                sum = FloatVector.fromArray(S, in, at + t * step + x).fma(FloatVector.broadcast(S, k[t]), sum);
            }
            sum.intoArray(out, to + x);
        }
    }

    private static float[] weights(float t) {
        float t2 = t * t;
        float t3 = t2 * t;
        float[] cubic = {-0.5f * t3 + t2 - 0.5f * t, 1.5f * t3 - 2.5f * t2 + 1, -1.5f * t3 + 2 * t2 + 0.5f * t, 0.5f * t3 - 0.5f * t2};
        float[] out = new float[TAPS];
        for (int i = 0; i < SMOOTH.length; i++) {
            for (int j = 0; j < cubic.length; j++) {
                out[i + j] += SMOOTH[i] * cubic[j];
            }
        }
        return out;
    }
}
