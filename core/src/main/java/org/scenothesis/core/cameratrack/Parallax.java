package org.scenothesis.core.cameratrack;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.vision.Epipolar;

/// How differently near and far things move: what is left over when one picture is bent into a later one as if all of it were flat. No turn
/// or zoom of a camera leaves anything.
public final class Parallax {
    private static final double APART = 0.04;
    private static final double LEAST_APART = 0.01;
    private static final double QUANTILE = 0.75;
    private static final int FEWEST = 40;

    private Parallax() {}

    /// Of traces over so many frames of a picture so wide: for every stretch in which it moves by some percent of its width, what three of
    /// four points leave over at most, in pixels.
    public static List<Double> of(List<FeatureTrack> traces, int frames, int width) {
        List<Double> out = new ArrayList<>();
        int base = 0;
        for (int f = 1; f < frames; f++) {
            int from = base;
            int to = f;
            List<FeatureTrack> both = traces.stream().filter(t -> t.in(from) && t.in(to)).toList();
            if (both.size() < FEWEST) {
                base = f;
                continue;
            }
            double[] far = both.stream().mapToDouble(t -> t.in(to, Point.ZERO).minus(t.in(from, Point.ZERO)).length()).sorted().toArray();
            double apart = far[far.length / 2] / width;
            if (apart > APART || f == frames - 1 && apart > LEAST_APART) {
                Epipolar.offFlat(both.stream().map(t -> t.in(from, Point.ZERO)).toList(), both.stream().map(t -> t.in(to, Point.ZERO))
                        .toList()).ifPresent(off -> {
                    Arrays.sort(off);
                    out.add(off[(int) (QUANTILE * (off.length - 1))]);
                });
                base = f;
            }
        }
        return out;
    }

    /// From every frame to the next, how far most points went, in pixels; where too few were followed there is none.
    public static List<Point> steps(List<FeatureTrack> traces, int frames) {
        List<Point> out = new ArrayList<>();
        for (int f = 1; f < frames; f++) {
            int to = f;
            List<Point> d = traces.stream().filter(t -> t.in(to - 1) && t.in(to))
                    .map(t -> t.in(to, Point.ZERO).minus(t.in(to - 1, Point.ZERO))).toList();
            if (d.size() >= FEWEST) {
                double[] x = d.stream().mapToDouble(Point::x).sorted().toArray();
                double[] y = d.stream().mapToDouble(Point::y).sorted().toArray();
                out.add(new Point(x[x.length / 2], y[y.length / 2]));
            }
        }
        return out;
    }
}
