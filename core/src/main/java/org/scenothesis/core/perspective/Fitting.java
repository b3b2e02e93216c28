package org.scenothesis.core.perspective;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Point;

/// The least squares behind a camera: all marks at once, each weighted by how far a hand is off.
///
/// Whatever no mark says anything of is held by a weak expectation, so that its deviation comes out large instead of infinite.
final class Fitting {
    /// How far a mark set by hand is off, per coordinate.
    static final double HAND_PX = 0.7;
    private static final double HORIZON_PX = 1.5;
    private static final double LENGTH_SHARE = 0.002;
    private static final double STEP = 1e-6;
    private static final double FAR = 40;
    private static final int EVALUATIONS = 400;
    private static final int REFINED = 6;
    private static final double[] FOCALS = {0.5, 0.75, 1.1, 1.7, 2.6};
    private static final double[] TILTS = {-60, -42, -27, -15, -5, 2, 10, 25, 42};
    /// Expected of any picture: deviations of logarithm of focal length, tilt, roll, heading, logarithm of lens height, and of the last
    /// three in their units.
    private static final double[] LOOSE = {0.7, 0.8, 0.5, 2, 3, 0.1, 0.1, 0.1};

    private final Marks marks;
    private final List<Marks.Line> edges;
    private final List<Marks.Length> known;
    private final List<Marks.Tiles> shapes;
    private final boolean[] free;
    private final double[] expected;

    /// What came of it: all numbers, their covariance (of those that were free, else 0), the sum of squared residuals of the marks, how
    /// many residuals there are.
    record Fit(double[] theta, double[][] covariance, double chi2, int residuals, int freed) {}

    /// - `middle`, `bend`: whether where the lens looks and its bend are asked as well.
    Fitting(Marks marks, boolean middle, boolean bend) {
        this.marks = marks;
        Point c = marks.middle();
        Double focal = marks.focalPx();
        Double lens = marks.lensHeightM();
        expected = new double[] {Math.log(focal == null ? marks.width() : focal), -0.1, 0, 0, Math.log(lens == null ? 1.4 : lens), c.x(),
                c.y(), 0};
        known = marks.known();
        shapes = marks.shapes();
        edges = Stream.of(Marks.Direction.values()).flatMap(d -> marks.along(d).stream()).toList();
        free = new boolean[] {focal == null, true, true, marks.level(), lens == null && !known.isEmpty(), middle, middle, bend};
    }

    private double loose(int k) {
        return LOOSE[k] * (k == Pinhole.CX || k == Pinhole.CY ? marks.width() : 1);
    }

    private int count() {
        int n = 0;
        for (boolean f : free) {
            n += f ? 1 : 0;
        }
        return n;
    }

    private double[] whole(double[] part) {
        double[] out = expected.clone();
        int n = 0;
        for (int k = 0; k < out.length; k++) {
            if (free[k]) {
                out[k] = part[n++];
            }
        }
        return out;
    }

    private double[] part(double[] whole) {
        double[] out = new double[count()];
        int n = 0;
        for (int k = 0; k < whole.length; k++) {
            if (free[k]) {
                out[n++] = whole[k];
            }
        }
        return out;
    }

    /// Residuals of the marks in standard deviations; lengths by `sure`, how far the logarithm of each may be off.
    private double[] marked(double[] theta, double[] sure) {
        Pinhole c = new Pinhole(theta);
        double[] out = new double[edges.size() + (marks.horizon() == null ? 0 : 2) + sure.length];
        int n = 0;
        for (Marks.Line l : edges) {
            out[n++] = c.off(l) / HAND_PX;
        }
        Marks.Line h = marks.horizon();
        if (h != null) {
            out[n++] = c.offHorizon(h.from()) / HORIZON_PX;
            out[n++] = c.offHorizon(h.to()) / HORIZON_PX;
        }
        for (int i = 0; i < sure.length; i++) {
            double off = i < known.size() ? off(c, known.get(i)) : off(c, shapes.get(i - known.size()));
            out[n++] = (Double.isNaN(off) ? FAR * 0.05 : off) / sure[i];
        }
        return out;
    }

    /// How far the logarithm of a length is off; NaN where it ends in the sky.
    private static double off(Pinhole c, Marks.Length l) {
        return c.length(l).map(m -> Math.log(m / l.metres())).orElse(Double.NaN);
    }

    /// How far a field of square tiles is from square; that says nothing of its size.
    private static double off(Pinhole c, Marks.Tiles t) {
        return off(c, t.sides().get(0)) - off(c, t.sides().get(1));
    }

    /// How far the logarithm of every length and of every shape may be off at these numbers, by how far its marks are.
    private double[] sure(double[] theta) {
        Pinhole c = new Pinhole(theta);
        double[] out = new double[known.size() + shapes.size()];
        for (int i = 0; i < known.size(); i++) {
            Marks.Length l = known.get(i);
            out[i] = sure(List.of(l.from(), l.to()), p -> off(c, new Marks.Length(p.get(0), p.get(1), l.metres(), l.stands())));
        }
        for (int i = 0; i < shapes.size(); i++) {
            Marks.Tiles t = shapes.get(i);
            out[known.size() + i] = sure(t.corners(), p -> off(c, new Marks.Tiles(p, t.across(), t.away(), 0)));
        }
        return out;
    }

    private static double sure(List<Point> marks, ToDoubleFunction<List<Point>> of) {
        double at = of.applyAsDouble(marks);
        double sum = LENGTH_SHARE * LENGTH_SHARE;
        for (int k = 0; k < 2 * marks.size(); k++) {
            List<Point> moved = new ArrayList<>(marks);
            moved.set(k / 2, marks.get(k / 2).plus(new Point(k % 2 == 0 ? 0.5 : 0, k % 2 == 0 ? 0 : 0.5)));
            double d = (of.applyAsDouble(moved) - at) / 0.5 * HAND_PX;
            sum += d * d;
        }
        return Double.isFinite(sum) ? Math.min(1, Math.sqrt(sum)) : 0.05;
    }

    private double[] residuals(double[] theta, double[] sure) {
        double[] m = marked(theta, sure);
        double[] out = Arrays.copyOf(m, m.length + count());
        int n = m.length;
        for (int k = 0; k < theta.length; k++) {
            if (free[k]) {
                out[n++] = (theta[k] - expected[k]) / loose(k);
            }
        }
        return out;
    }

    private static double capped(double[] r) {
        double sum = 0;
        for (double v : r) {
            sum += Math.min(v * v, 900);
        }
        return sum;
    }

    /// The best of several beginnings, spread over all cameras that people use.
    Fit solve() {
        List<double[]> starts = new ArrayList<>();
        double[] focals = free[Pinhole.FOCAL] ? Arrays.stream(FOCALS).map(f -> Math.log(f * marks.width())).toArray()
                : new double[] {expected[Pinhole.FOCAL]};
        for (double f : focals) {
            for (double tilt : TILTS) {
                for (int roll = -1; roll <= 1; roll++) {
                    for (double pan = free[Pinhole.HEADING] ? -82.5 : 0; pan <= (free[Pinhole.HEADING] ? 90 : 0); pan += 15) {
                        double[] s = expected.clone();
                        s[Pinhole.FOCAL] = f;
                        s[Pinhole.TILT] = Math.toRadians(tilt);
                        s[Pinhole.ROLL] = Math.toRadians(8 * roll);
                        s[Pinhole.HEADING] = Math.toRadians(pan);
                        starts.add(s);
                    }
                }
            }
        }
        starts.forEach(this::scaled);
        double[] even = new double[known.size() + shapes.size()];
        Arrays.fill(even, 0.05);
        List<double[]> best = starts.stream().map(s -> new double[][] {{capped(marked(s, even))}, s})
                .sorted(Comparator.comparingDouble(s -> s[0][0])).limit(REFINED).map(s -> s[1]).toList();
        Fit out = null;
        for (double[] s : best) {
            Fit f = refined(s);
            if (f != null && (out == null || f.chi2 < out.chi2 - 1e-6)) {
                out = f;
            }
        }
        return out != null ? out : new Fit(expected, new double[Pinhole.SIZE][Pinhole.SIZE], Double.MAX_VALUE, 0, count());
    }

    /// Everything that is of known length is to scale with the lens height.
    private void scaled(double[] s) {
        if (free[Pinhole.HEIGHT]) {
            Pinhole c = new Pinhole(s);
            s[Pinhole.HEIGHT] += known.stream().flatMap(l -> c.length(l).map(m -> Math.log(l.metres() / m)).stream())
                    .mapToDouble(Double::doubleValue).average().orElse(0);
        }
    }

    /// From numbers near the answer; null where that comes to nothing.
    @Nullable Fit refined(double[] start) {
        double[] theta = start;
        try {
            LeastSquaresOptimizer.Optimum o = null;
            for (int round = 0; round < (known.isEmpty() && shapes.isEmpty() ? 1 : 3); round++) {
                double[] sure = sure(theta);
                o = new LevenbergMarquardtOptimizer().optimize(new LeastSquaresBuilder().start(part(theta))
                        .target(new double[residuals(theta, sure).length]).model(p -> model(p, sure))
                        .maxEvaluations(EVALUATIONS).maxIterations(EVALUATIONS)
                        .checker((i, a, b) -> a.getCost() - b.getCost() < 1e-10 * (1e-3 + b.getCost())).build());
                theta = whole(o.getPoint().toArray());
            }
            double[] r = marked(theta, sure(theta));
            double chi2 = Arrays.stream(r).map(v -> v * v).sum();
            return o == null || !Double.isFinite(chi2) ? null
                    : upright(new Fit(theta, spread(o.getJacobian(), chi2, r.length), chi2, r.length, count()));
        } catch (MathRuntimeException e) {
            return null;
        }
    }

    /// Directions have no sign: a camera that is upside down sees them as one that looks as far up as that looks down, turned the other
    /// way. Nobody films upside down.
    private static Fit upright(Fit f) {
        double roll = Math.IEEEremainder(f.theta[Pinhole.ROLL], 2 * Math.PI);
        double[] t = f.theta.clone();
        t[Pinhole.ROLL] = roll;
        t[Pinhole.HEADING] = Math.IEEEremainder(t[Pinhole.HEADING], Math.PI);
        if (Math.abs(roll) <= Math.PI / 2) {
            return new Fit(t, f.covariance, f.chi2, f.residuals, f.freed);
        }
        t[Pinhole.ROLL] = roll - Math.copySign(Math.PI, roll);
        t[Pinhole.TILT] = -t[Pinhole.TILT];
        t[Pinhole.HEADING] = -t[Pinhole.HEADING];
        double[][] c = new double[Pinhole.SIZE][Pinhole.SIZE];
        for (int i = 0; i < c.length; i++) {
            for (int k = 0; k < c.length; k++) {
                boolean one = i == Pinhole.TILT || i == Pinhole.HEADING;
                boolean other = k == Pinhole.TILT || k == Pinhole.HEADING;
                c[i][k] = one == other ? f.covariance[i][k] : -f.covariance[i][k];
            }
        }
        return new Fit(t, c, f.chi2, f.residuals, f.freed);
    }

    private Pair<RealVector, RealMatrix> model(RealVector point, double[] sure) {
        double[] p = point.toArray();
        double[] at = residuals(whole(p), sure);
        double[][] j = new double[at.length][p.length];
        for (int k = 0; k < p.length; k++) {
            double step = STEP * Math.max(1, Math.abs(p[k]));
            double[] q = p.clone();
            q[k] += step;
            double[] up = residuals(whole(q), sure);
            q[k] -= 2 * step;
            double[] down = residuals(whole(q), sure);
            for (int i = 0; i < at.length; i++) {
                j[i][k] = (up[i] - down[i]) / (2 * step);
            }
        }
        return new Pair<>(new ArrayRealVector(at, false), new Array2DRowRealMatrix(j, false));
    }

    /// The covariance of all numbers; wider where the marks fit worse than a hand sets them.
    private double[][] spread(RealMatrix jacobian, double chi2, int residuals) {
        RealMatrix c = new LUDecomposition(jacobian.transposeMultiply(jacobian), 1e-300).getSolver().getInverse();
        double worse = Math.max(1, chi2 / Math.max(1, residuals - count()));
        double[][] out = new double[Pinhole.SIZE][Pinhole.SIZE];
        int a = 0;
        for (int i = 0; i < Pinhole.SIZE; i++) {
            int b = 0;
            for (int k = 0; k < Pinhole.SIZE; k++) {
                out[i][k] = free[i] && free[k] ? worse * c.getEntry(a, b) : 0;
                b += free[k] ? 1 : 0;
            }
            a += free[i] ? 1 : 0;
        }
        return out;
    }
}
