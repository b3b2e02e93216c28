package org.scenothesis.core.breakdown.number;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.stream.DoubleStream;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// Which performance stands at which place of a crowd so that repeats are as far apart as possible in the picture.
///
/// - `performance[i]`: number of the performance at place i. `nearest`: smallest distance between two places with the same performance, in
///   picture widths.
/// - Source: greedy colouring by saturation, Brélaz 1979, on the graph of places nearer than a threshold; the threshold is searched.
public record Crowd(List<Integer> performance, int uniques, double nearest) {
    public Crowd {
        performance = List.copyOf(performance);
    }

    /// Places of `count` figures in `rows`, evenly across the picture, every second row shifted by half a place.
    public static List<Point> places(int count, int rows) {
        Check.range("count", count, 1, 500);
        int lines = Math.min(Math.max(1, rows), count);
        int each = (int) Math.ceil(count / (double) lines);
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int row = i / each;
            double x = (i % each + 0.5 + (row % 2 == 0 ? 0 : 0.5)) / (each + (lines > 1 ? 0.5 : 0));
            out.add(new Point(x, 0.12 * row));
        }
        return out;
    }

    /// The fewest performances with which repeats stay at least `apart` picture widths from each other.
    public static Crowd fewest(List<Point> places, double apart) {
        return of(places, colour(places, apart));
    }

    /// `uniques` performances spread as well as the colouring finds.
    public static Crowd spread(List<Point> places, int uniques) {
        Check.range("uniques", uniques, 1, places.size());
        double[] distances = DoubleStream.concat(
                places.stream().flatMapToDouble(p -> places.stream().mapToDouble(q -> far(p, q))), DoubleStream.of(Double.MAX_VALUE))
                .distinct().sorted().toArray();
        int lo = 0;
        int hi = distances.length - 1;
        while (lo < hi) {
            int mid = (lo + hi + 1) / 2;
            if (Arrays.stream(colour(places, distances[mid])).max().orElse(0) + 1 <= uniques) {
                lo = mid;
            } else {
                hi = mid - 1;
            }
        }
        return of(places, colour(places, distances[lo]));
    }

    private static Crowd of(List<Point> places, int[] colours) {
        double nearest = Double.POSITIVE_INFINITY;
        for (int i = 0; i < colours.length; i++) {
            for (int j = 0; j < i; j++) {
                if (colours[i] == colours[j]) {
                    nearest = Math.min(nearest, far(places.get(i), places.get(j)));
                }
            }
        }
        return new Crowd(Arrays.stream(colours).boxed().toList(), Arrays.stream(colours).max().orElse(0) + 1, nearest);
    }

    private static double far(Point a, Point b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }

    private static int[] colour(List<Point> places, double apart) {
        int n = places.size();
        BitSet[] near = new BitSet[n];
        BitSet[] around = new BitSet[n];
        for (int i = 0; i < n; i++) {
            near[i] = new BitSet(n);
            around[i] = new BitSet();
            for (int j = 0; j < n; j++) {
                near[i].set(j, j != i && far(places.get(i), places.get(j)) < apart - 1e-9);
            }
        }
        int[] colour = new int[n];
        Arrays.fill(colour, -1);
        for (int step = 0; step < n; step++) {
            int next = mostSaturated(colour, around);
            int free = around[next].nextClearBit(0);
            colour[next] = free;
            near[next].stream().forEach(j -> around[j].set(free));
        }
        return colour;
    }

    private static int mostSaturated(int[] colour, BitSet[] around) {
        int best = -1;
        for (int i = 0; i < colour.length; i++) {
            if (colour[i] < 0 && (best < 0 || around[i].cardinality() > around[best].cardinality())) {
                best = i;
            }
        }
        return best;
    }
}
