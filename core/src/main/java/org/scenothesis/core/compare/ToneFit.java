package org.scenothesis.core.compare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import org.scenothesis.core.Robust;
import org.scenothesis.core.light.Area;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.step.ColourGrade;

/// Slope, offset, power and saturation that bring one picture of a set to another, from blocks in which nothing moved.
///
/// - Means of blocks, in sRGB code values as the step has them: noise hardly counts in them. Blocks that do not follow the rest are left
///   out, in rounds (Tukey).
/// - Power is asked only where the light spans far enough to tell it from the offset, the offset only where there is more than one level: a
///   grey patch alone tells a slope.
final class ToneFit {
    private static final int SIDE = 8;
    private static final int MOST = 1500;
    private static final int ENOUGH = 24;
    private static final int ENOUGH_CHOSEN = 4;
    private static final double NARROW = 0.18;
    /// No change: slopes, offsets, powers, saturation.
    private static final double[] NONE = {1, 1, 1, 0, 0, 0, 1, 1, 1, 1};
    private static final double ONE_LEVEL = 0.06;
    private static final double FREE = 1e-2;
    private static final double HELD = 1e3;
    private static final double LEAST = 0.004;
    private static final int PARAMETERS = 10;
    private static final double ALIKE = 0.08;
    private static final double FIRST = 0.25;
    /// Fewer of the blocks than this that follow one change are no proof of it.
    private static final double FOLLOW = 0.3;

    private ToneFit() {}

    /// Empty where too few blocks can be compared. `inside`: whether a place counts.
    static Optional<ColourGrade> of(Picture from, Picture to, Inside inside) {
        List<double[]> pairs = new ArrayList<>();
        List<Blocks.Block> a = Blocks.of(from, SIDE).all();
        List<Blocks.Block> b = Blocks.of(to, SIDE).all();
        int asked = 0;
        for (int i = 0; i < a.size(); i++) {
            Blocks.Block p = a.get(i);
            Blocks.Block q = b.get(i);
            boolean clipped = Math.max(Math.max(p.mean()[0], p.mean()[1]), p.mean()[2]) > 0.95
                    || Math.max(Math.max(q.mean()[0], q.mean()[1]), q.mean()[2]) > 0.95;
            boolean flat = p.variance()[1] < 0.02 * p.mean()[1] * p.mean()[1] + 1e-5;
            boolean in = inside.holds(p.x() + SIDE / 2.0, p.y() + SIDE / 2.0);
            asked += in ? 1 : 0;
            if (!clipped && flat && in) {
                pairs.add(new double[] {code(p.mean()[0]), code(p.mean()[1]), code(p.mean()[2]), code(q.mean()[0]), code(q.mean()[1]),
                        code(q.mean()[2])});
            }
        }
        // A patch that somebody chose is one thing; of a whole picture many have to agree.
        if (pairs.size() < (asked < a.size() ? ENOUGH_CHOSEN : ENOUGH)) {
            return Optional.empty();
        }
        int every = Math.max(1, pairs.size() / MOST);
        List<double[]> some = new ArrayList<>();
        for (int i = 0; i < pairs.size(); i += every) {
            some.add(pairs.get(i));
        }
        return fitted(some);
    }

    /// From areas chosen in both pictures, the same thing in each: one tells a slope, further ones of other levels an offset, three a
    /// power; empty where one of them lies outside, or no camera is set so differently.
    static Optional<ColourGrade> of(Picture from, List<Area> own, Picture to, List<Area> other) {
        List<double[]> pairs = new ArrayList<>();
        for (int i = 0; i < Math.min(own.size(), other.size()); i++) {
            double[] p = own.get(i).mean(from);
            double[] q = other.get(i).mean(to);
            if (Double.isNaN(p[0] + q[0])) {
                return Optional.empty();
            }
            pairs.add(new double[] {code(p[0]), code(p[1]), code(p[2]), code(q[0]), code(q[1]), code(q[2])});
        }
        double low = pairs.stream().mapToDouble(p -> p[1]).min().orElse(0);
        double high = pairs.stream().mapToDouble(p -> p[1]).max().orElse(0);
        double[] all = new double[pairs.size()];
        Arrays.fill(all, 1);
        double[] x = solved(pairs, all, NONE.clone(), high - low > ONE_LEVEL ? FREE : HELD, pairs.size() > 2 && high - low > NARROW ? FREE
                : HELD);
        return pairs.isEmpty() || !believable(x) ? Optional.empty() : Optional.of(tone(x));
    }

    private static ColourGrade tone(double[] x) {
        return new ColourGrade(new ColourGrade.Channels(x[0], x[1], x[2]), new ColourGrade.Channels(x[3], x[4], x[5]),
                new ColourGrade.Channels(x[6], x[7], x[8]), x[9]);
    }

    /// The change that most blocks share, of each channel in stops of code values: where it begins, so that a cloth over half of the
    /// picture does not lead it.
    private static double usual(List<double[]> pairs, int channel) {
        double[] d = pairs.stream().mapToDouble(p -> Math.log(Math.max(1e-3, p[3 + channel]) / Math.max(1e-3, p[channel]))).sorted()
                .toArray();
        int best = 0;
        int most = 0;
        int low = 0;
        for (int high = 0; high < d.length; high++) {
            while (d[high] - d[low] > ALIKE) {
                low++;
            }
            if (high - low > most) {
                most = high - low;
                best = (high + low) / 2;
            }
        }
        return d[best];
    }

    /// Whether a place of the picture counts.
    interface Inside {
        boolean holds(double x, double y);
    }

    private static double code(double linear) {
        return Transfer.SRGB.toCode(Math.max(0, linear));
    }

    private static Optional<ColourGrade> fitted(List<double[]> pairs) {
        double[] x = NONE.clone();
        double[] greens = pairs.stream().mapToDouble(p -> p[1]).sorted().toArray();
        double span = greens[(int) (0.97 * (greens.length - 1))] - greens[(int) (0.03 * (greens.length - 1))];
        double power = span > NARROW ? FREE : HELD;
        double offset = span > ONE_LEVEL ? FREE : HELD;
        double[] weight = new double[pairs.size()];
        double[] usual = {usual(pairs, 0), usual(pairs, 1), usual(pairs, 2)};
        for (int i = 0; i < weight.length; i++) {
            weight[i] = 1;
            for (int c = 0; c < 3; c++) {
                double off = Math.log(Math.max(1e-3, pairs.get(i)[3 + c]) / Math.max(1e-3, pairs.get(i)[c])) - usual[c];
                weight[i] = Math.abs(off) > FIRST ? 0 : weight[i];
            }
        }
        for (int round = 0; round < 6; round++) {
            x = solved(pairs, weight, x, offset, power);
            double[] off = new double[pairs.size()];
            for (int i = 0; i < off.length; i++) {
                double[] t = graded(pairs.get(i), x);
                off[i] = Math.sqrt(Math.pow(t[0] - pairs.get(i)[3], 2) + Math.pow(t[1] - pairs.get(i)[4], 2)
                        + Math.pow(t[2] - pairs.get(i)[5], 2));
            }
            double[] followed = IntStream.range(0, off.length).filter(i -> weight[i] > 0).mapToDouble(i -> off[i]).toArray();
            double scale = Math.max(LEAST, 4.685 * 1.4826 * Robust.median(followed.length == 0 ? off : followed) / 1.5);
            for (int i = 0; i < off.length; i++) {
                double t = off[i] / scale;
                weight[i] = t < 1 ? 1 - t * t : 0;
            }
        }
        double follow = Arrays.stream(weight).filter(w -> w > 0.3).count() / (double) weight.length;
        return follow < FOLLOW || !believable(x) ? Optional.empty() : Optional.of(tone(x));
    }

    /// No camera is set so differently; something else is seen.
    private static boolean believable(double[] x) {
        for (int c = 0; c < 3; c++) {
            if (x[c] < 0.3 || x[c] > 3 || x[6 + c] < 0.4 || x[6 + c] > 2.5) {
                return false;
            }
        }
        return x[9] > 0.4 && x[9] < 2;
    }

    private static double[] graded(double[] p, double[] x) {
        double[] v = new double[3];
        for (int c = 0; c < 3; c++) {
            v[c] = Math.pow(Math.max(1e-6, p[c] * x[c] + x[3 + c]), x[6 + c]);
        }
        double luma = Luminance.of(v[0], v[1], v[2]);
        for (int c = 0; c < 3; c++) {
            v[c] = luma + x[9] * (v[c] - luma);
        }
        return v;
    }

    private static double[] solved(List<double[]> pairs, double[] weight, double[] start, double offset, double power) {
        int rows = 3 * pairs.size() + PARAMETERS;
        // A little held to no change: what nothing tells stays.
        double[] hold = {FREE, FREE, FREE, offset, offset, offset, power, power, power, FREE};
        try {
            return new LevenbergMarquardtOptimizer().optimize(new LeastSquaresBuilder().start(start).target(new double[rows])
                    .model((RealVector point) -> {
                double[] p = point.toArray();
                double[] at = residuals(pairs, weight, p, hold, rows);
                double[][] j = new double[rows][PARAMETERS];
                for (int k = 0; k < PARAMETERS; k++) {
                    double[] q = p.clone();
                    q[k] += 1e-6;
                    double[] up = residuals(pairs, weight, q, hold, rows);
                    for (int i = 0; i < rows; i++) {
                        j[i][k] = (up[i] - at[i]) / 1e-6;
                    }
                }
                return new Pair<RealVector, RealMatrix>(new ArrayRealVector(at, false), new Array2DRowRealMatrix(j, false));
            }).maxEvaluations(60).maxIterations(60).build()).getPoint().toArray();
        } catch (MathRuntimeException e) {
            return start;
        }
    }

    private static double[] residuals(List<double[]> pairs, double[] weight, double[] x, double[] hold, int rows) {
        double[] out = new double[rows];
        for (int i = 0; i < pairs.size(); i++) {
            double[] t = graded(pairs.get(i), x);
            for (int c = 0; c < 3; c++) {
                out[3 * i + c] = weight[i] * (t[c] - pairs.get(i)[3 + c]);
            }
        }
        for (int k = 0; k < PARAMETERS; k++) {
            out[rows - PARAMETERS + k] = hold[k] * (x[k] - NONE[k]);
        }
        return out;
    }
}
