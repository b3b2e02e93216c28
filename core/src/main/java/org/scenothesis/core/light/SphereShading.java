package org.scenothesis.core.light;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;

/// The light read of how something round is shaded: what its surface shows is taken for light from all round, a little more of it from
/// above, and one source of cosine.
///
/// Source: shading of a matt sphere (Lambert); the direction is searched over all, brightnesses follow by least squares. What is not matt,
/// not round or not of one colour is off by more than this can see, hence the least deviations.
final class SphereShading {
    private static final double INNER = 0.9;
    private static final int ACROSS = 48;
    private static final double CLIPPED = 0.93;
    private static final double COARSE_DEG = 6;
    private static final double FINEST_DEG = 0.1;
    /// What a source has to explain of how brightness differs.
    private static final double EXPLAINED = 0.5;
    /// And how much of the brightness it has to be.
    private static final double LEAST_KEY = 0.08;

    /// So much of what is seen has to lie away from the key, or its fill is a guess.
    private static final double DARK = 0.25;

    private SphereShading() {}

    /// What came of it: towards the light as angles in the camera's heading; `elevation` null of what is round from side to side only;
    /// `stops`: key to fill on a surface that faces the key, null where too little of its dark side is seen.
    record Read(Estimate azimuthDeg, @Nullable Estimate elevationDeg, @Nullable Estimate stops) {}

    private record Sample(Vec normal, double light) {}

    /// - `k`: of the source; `rest`: what is left, root of the mean square.
    private record Fitted(double even, double above, double k, double rest) {}

    /// How far off a direction is at least, in degrees: real things are not what they are taken for.
    private static double least(Evidence.Shape s) {
        return switch (s) {
            case BALL -> 8;
            case HEAD -> 18;
            case FIGURE -> 25;
        };
    }

    /// Empty where it is not in the picture, too small, or shaded too evenly to show a key.
    static Optional<Read> of(Picture picture, PictureCamera camera, LightMarks.Round round) {
        List<Sample> seen = samples(picture, camera, round);
        if (seen.size() < ACROSS) {
            return Optional.empty();
        }
        boolean flat = round.shape() == Evidence.Shape.FIGURE;
        double[] best = {0, flat ? 0 : 30};
        double least = Double.MAX_VALUE;
        for (double e = flat ? 0 : -12; e <= (flat ? 0 : 90); e += COARSE_DEG) {
            for (double a = -180; a < 180; a += COARSE_DEG) {
                double rest = fit(seen, a, e, flat).rest;
                if (rest < least) {
                    least = rest;
                    best = new double[] {a, e};
                }
            }
        }
        for (double step = COARSE_DEG / 2; step > FINEST_DEG; step /= 2) {
            for (int k = 0; k < 9; k++) {
                double a = best[0] + (k % 3 - 1) * step;
                double e = flat ? 0 : Math.clamp(best[1] + (k / 3 - 1) * step, -20, 90);
                double rest = fit(seen, a, e, flat).rest;
                if (rest < least) {
                    least = rest;
                    best = new double[] {a, e};
                }
            }
        }
        Fitted f = fit(seen, best[0], best[1], flat);
        double mean = seen.stream().mapToDouble(Sample::light).average().orElse(0);
        double spread = Math.sqrt(seen.stream().mapToDouble(s -> (s.light - mean) * (s.light - mean)).average().orElse(0));
        double fill = f.even + f.above * towards(best[0], best[1]).y();
        if (f.k < LEAST_KEY * mean || f.rest > (1 - EXPLAINED) * spread) {
            return Optional.empty();
        }
        // As far as the rest grows by what it is: a surface's own patches count like light.
        double side = Math.max(least(round.shape()), wide(seen, best, flat, f.rest, 0));
        double up = Math.max(least(round.shape()), wide(seen, best, flat, f.rest, 1));
        Vec to = towards(best[0], best[1]);
        double dark = (double) seen.stream().filter(s -> s.normal.dot(to) < 0).count() / seen.size();
        Estimate stops = dark < DARK ? null : new Estimate(Math.log(f.k / Math.max(0.01 * f.k, fill)) / Math.log(2),
                round.shape() == Evidence.Shape.BALL ? 0.4 : 0.8);
        return Optional.of(new Read(new Estimate(Math.IEEEremainder(best[0], 360), side), flat ? null : new Estimate(best[1], up), stops));
    }

    /// How far one angle can be turned until a tenth more is left over.
    private static double wide(List<Sample> seen, double[] at, boolean flat, double rest, int which) {
        for (double by = 1; by < 60; by *= 1.3) {
            double up = fit(seen, at[0] + (which == 0 ? by : 0), at[1] + (which == 1 ? by : 0), flat).rest;
            double down = fit(seen, at[0] - (which == 0 ? by : 0), at[1] - (which == 1 ? by : 0), flat).rest;
            if (Math.min(up, down) > 1.1 * rest) {
                return by;
            }
        }
        return 60;
    }

    private static Vec towards(double azimuth, double elevation) {
        double a = Math.toRadians(azimuth);
        double e = Math.toRadians(elevation);
        return new Vec(Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e));
    }

    private static Fitted fit(List<Sample> seen, double azimuth, double elevation, boolean flat) {
        Vec to = towards(azimuth, elevation);
        int n = flat ? 2 : 3;
        double[][] a = new double[n][n];
        double[] b = new double[n];
        double[] row = new double[n];
        for (Sample s : seen) {
            row(row, s, to);
            for (int i = 0; i < n; i++) {
                b[i] += row[i] * s.light;
                for (int k = 0; k < n; k++) {
                    a[i][k] += row[i] * row[k];
                }
            }
        }
        double[] x;
        try {
            x = new LUDecomposition(new Array2DRowRealMatrix(a, false), 1e-12).getSolver().solve(new ArrayRealVector(b, false)).toArray();
        } catch (MathRuntimeException alike) {
            return new Fitted(0, 0, 0, Double.MAX_VALUE);
        }
        double sum = 0;
        for (Sample s : seen) {
            row(row, s, to);
            double v = 0;
            for (int i = 0; i < n; i++) {
                v += x[i] * row[i];
            }
            sum += (s.light - v) * (s.light - v);
        }
        // A source gives light and takes none.
        return new Fitted(x[0], n == 3 ? x[2] : 0, x[1], x[1] <= 0 ? Double.MAX_VALUE : Math.sqrt(sum / seen.size()));
    }

    private static void row(double[] row, Sample s, Vec to) {
        row[0] = 1;
        row[1] = Math.max(0, s.normal.dot(to));
        if (row.length == 3) {
            row[2] = s.normal.y();
        }
    }

    /// The outline is seen along the rays to it: what faces the eye is the middle.
    private static List<Sample> samples(Picture p, PictureCamera c, LightMarks.Round round) {
        Point m = round.middle();
        boolean flat = round.shape() == Evidence.Shape.FIGURE;
        double r = flat ? Math.abs(round.edge().x() - m.x()) : round.edge().minus(m).length();
        Vec eye = c.ray(m).unit().times(-1);
        Vec right = across(c.ray(m.plus(new Point(1, 0))).minus(c.ray(m)), eye);
        Vec up = across(c.ray(m.plus(new Point(0, -1))).minus(c.ray(m)), eye);
        if (flat) {
            eye = new Vec(eye.x(), 0, eye.z()).unit();
            right = new Vec(right.x(), 0, right.z()).unit();
        }
        List<Sample> out = new ArrayList<>();
        for (int j = 0; j < ACROSS; j++) {
            for (int i = 0; i < ACROSS; i++) {
                double x = INNER * (2 * (i + 0.5) / ACROSS - 1);
                double y = INNER * (2 * (j + 0.5) / ACROSS - 1);
                double px = m.x() + x * r;
                double py = m.y() + y * r;
                double out2 = x * x + (flat ? 0 : y * y);
                if (out2 > INNER * INNER || px < 0 || py < 0 || px >= p.width() || py >= p.height()) {
                    continue;
                }
                // What is clipped shows less than there was.
                if (Math.max(p.r().at((int) px, (int) py),
                        Math.max(p.g().at((int) px, (int) py), p.b().at((int) px, (int) py))) > CLIPPED) {
                    continue;
                }
                Vec n = right.times(x).plus(eye.times(Math.sqrt(1 - out2)));
                double v = p.light((int) px, (int) py);
                out.add(new Sample(flat ? n : n.plus(up.times(-y)), v));
            }
        }
        return out;
    }

    private static Vec across(Vec v, Vec eye) {
        return v.minus(eye.times(v.dot(eye))).unit();
    }
}
