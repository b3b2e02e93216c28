package org.scenothesis.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.scenothesis.core.picture.Picture;

/// The noise of a picture in linear light: variance = a·level + b², and over how many pixels it hangs together.
///
/// - `correlationPx`: the deviation of the blur that would make white noise hang together as much; 0 for white noise.
/// - From time: half the mean square of the difference between frames, wherever nothing moved. From one picture: the variance about a slope
///   in the flattest blocks of every level.
///
/// Sources: photon and read noise (Foi et al. 2008); flattest blocks as in Immerkaer 1996 and after.
public record Noise(double a, double b, double correlationPx, boolean fromTime) {
    private static final int SIDE = 12;
    private static final int LEVELS = 12;
    private static final int ENOUGH = 6;
    /// The flattest share of the blocks of a level.
    private static final double FLAT = 0.12;
    private static final double CLIPPED = 0.97;
    private static final double MIDDLE = 0.18;
    private static final double FROZEN = 0.1;

    /// Of the light of all three channels together: standard deviation at a level.
    public double at(double level) {
        return Math.sqrt(Math.max(0, a * level + b * b));
    }

    /// From one picture.
    public static Noise of(Picture p) {
        List<double[]> points = new ArrayList<>();
        List<Double> alike = new ArrayList<>();
        List<Blocks.Block> all = new ArrayList<>(Blocks.of(p, SIDE).all().stream().filter(k -> k.mean()[1] < CLIPPED && k.mean()[1] > 1e-4)
                .toList());
        all.sort(Comparator.comparingDouble(k -> k.mean()[1]));
        for (int l = 0; l < LEVELS; l++) {
            List<Blocks.Block> of = new ArrayList<>(all.subList(l * all.size() / LEVELS, (l + 1) * all.size() / LEVELS));
            of.sort(Comparator.comparingDouble(k -> k.variance()[1]));
            int n = (int) Math.max(ENOUGH, FLAT * of.size());
            if (of.size() < ENOUGH) {
                continue;
            }
            for (Blocks.Block k : of.subList(0, Math.min(n, of.size()))) {
                points.add(new double[] {k.mean()[1], k.variance()[1] * chosen(n, of.size())});
                alike.add(k.alike());
            }
        }
        return fitted(points, alike, false);
    }

    /// The flattest of many blocks of pure noise have a little less of it than all: by how much, for blocks of this size.
    private static double chosen(int n, int of) {
        double share = (double) n / of;
        // Mean of the lower part of a normal distribution, of the variance of a block, whose deviation is √(2/(n−3)) of itself.
        double deviation = Math.sqrt(2.0 / (SIDE * SIDE - 3));
        double z = -1.17 - 0.35 * Math.log(share / 0.12);
        double below = Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI) / Math.max(0.02, share);
        return 1 / Math.max(0.5, 1 - (share >= 0.99 ? 0 : below * deviation));
    }

    /// From frames of a take, in which the camera stood; two are enough.
    public static Noise of(List<Picture> frames) {
        if (frames.size() < 2) {
            return of(frames.getFirst());
        }
        List<double[]> points = new ArrayList<>();
        List<Double> alike = new ArrayList<>();
        for (int i = 0; i + 1 < frames.size(); i++) {
            Picture one = frames.get(i);
            Picture two = frames.get(i + 1);
            Picture d = one.copy();
            for (int c = 0; c < 3; c++) {
                float[] v = d.colours().get(c).data();
                float[] o = two.colours().get(c).data();
                for (int k = 0; k < v.length; k++) {
                    v[k] -= o[k];
                }
            }
            List<Blocks.Block> light = Blocks.of(one, SIDE).all();
            List<Blocks.Block> left = Blocks.of(d, SIDE).all();
            double[] all = left.stream().mapToDouble(k -> k.variance()[1]).sorted().toArray();
            double most = 4 * all[all.length / 2];
            for (int k = 0; k < light.size(); k++) {
                double level = light.get(k).mean()[1];
                // What moved is no noise.
                if (level < CLIPPED && level > 1e-4 && left.get(k).variance()[1] < most
                        && Math.abs(left.get(k).mean()[1]) < Math.sqrt(most)) {
                    points.add(new double[] {level, left.get(k).variance()[1] / 2});
                    alike.add(left.get(k).alike());
                }
            }
        }
        Noise time = fitted(points, alike, true);
        Noise flat = of(frames.getFirst());
        // Compression that repeats a frame freezes its grain: time then tells of none.
        return time.at(MIDDLE) < FROZEN * flat.at(MIDDLE) ? flat : time;
    }

    /// A line through variance against level, neither part below zero, weighted by how sure a variance is: in proportion to itself.
    private static Noise fitted(List<double[]> points, List<Double> alike, boolean fromTime) {
        if (points.size() < ENOUGH) {
            return new Noise(0, 0, 0, fromTime);
        }
        double a = 0;
        double b2 = points.stream().mapToDouble(p -> p[1]).average().orElse(0);
        for (int round = 0; round < 12; round++) {
            double s = 0;
            double sx = 0;
            double sy = 0;
            double sxx = 0;
            double sxy = 0;
            for (double[] p : points) {
                double at = Math.max(1e-12, a * p[0] + b2);
                double off = (p[1] - at) / at;
                double w = 1 / (at * at) / (1 + off * off);
                s += w;
                sx += w * p[0];
                sy += w * p[1];
                sxx += w * p[0] * p[0];
                sxy += w * p[0] * p[1];
            }
            double det = s * sxx - sx * sx;
            double slope = det <= 1e-30 ? 0 : (s * sxy - sx * sy) / det;
            double base = (sy - slope * sx) / s;
            if (base < 0) {
                base = 0;
                slope = sxy / sxx;
            } else if (slope < 0) {
                slope = 0;
                base = sy / s;
            }
            a = slope;
            b2 = base;
        }
        double[] r = alike.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        double middle = r[r.length / 2];
        // Neighbours of white noise blurred by σ are alike by exp(−1/4σ²).
        double blur = middle <= 0.02 ? 0 : 1 / (2 * Math.sqrt(-Math.log(Math.min(0.98, middle))));
        return new Noise(a, Math.sqrt(b2), blur, fromTime);
    }
}
