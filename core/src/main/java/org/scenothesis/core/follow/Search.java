package org.scenothesis.core.follow;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;

/// Looks for a pattern around where it is expected, by normalised correlation at a coarse level.
///
/// Source: Lewis 1995, at whole pixels of the level; peaks are those above all neighbours.
final class Search {
    /// A pattern is looked for with about this many of its pixels across.
    private static final double ACROSS = 12;
    private static final int MOST_POINTS = 260;
    private static final int MOST_PEAKS = 6;

    private final Pattern pattern;
    private final FrameView frame;
    private final Bands bands;

    Search(Pattern pattern, FrameView frame, Bands bands) {
        this.pattern = pattern;
        this.frame = frame;
        this.bands = bands;
    }

    /// A place that looks alike: a map from the pattern's frame, and the correlation there.
    record Peak(PlanarMap map, double alike) {}

    /// The likeliest places within `reachPx` of where `guess` has it, best first.
    List<Peak> around(PlanarMap guess, double reachPx) {
        int k = 0;
        while (k + 1 < pattern.levels().size() && 2 * pattern.radiusPx() / (1 << k) > ACROSS) {
            k++;
        }
        Pattern.Level l = thinned(pattern.levels().get(k));
        double step = 1 << k;
        int reach = (int) Math.ceil(reachPx / step);
        int side = 2 * reach + 1;
        double[] alike = new double[side * side];
        Point c = guess.map(pattern.centre());
        bands.run(side, (from, to, band) -> {
            float[] seen = new float[l.size()];
            for (int i = from * side; i < to * side; i++) {
                double x = (i % side - reach) * step;
                double y = (i / side - reach) * step;
                Point at = c.plus(new Point(x, y));
                boolean within = at.x() > 0 && at.y() > 0 && at.x() < frame.width() && at.y() < frame.height();
                alike[i] = within ? alike(l, moved(guess, x, y), seen) : -1;
            }
        });
        List<Peak> peaks = new ArrayList<>();
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                if (alike[y * side + x] > 0.3 && highest(alike, side, x, y)) {
                    peaks.add(new Peak(moved(guess, (x - reach) * step, (y - reach) * step), alike[y * side + x]));
                }
            }
        }
        peaks.sort(Comparator.comparingDouble((Peak p) -> -p.alike));
        return peaks.subList(0, Math.min(MOST_PEAKS, peaks.size()));
    }

    private static PlanarMap moved(PlanarMap map, double x, double y) {
        return PlanarMap.shift(x, y).after(map);
    }

    private static boolean highest(double[] v, int side, int x, int y) {
        double here = v[y * side + x];
        for (int j = Math.max(0, y - 1); j <= Math.min(side - 1, y + 1); j++) {
            for (int i = Math.max(0, x - 1); i <= Math.min(side - 1, x + 1); i++) {
                if (v[j * side + i] > here) {
                    return false;
                }
            }
        }
        return true;
    }

    private static Pattern.Level thinned(Pattern.Level l) {
        int every = Math.max(1, l.size() / MOST_POINTS);
        int n = (l.size() + every - 1) / every;
        double[] x = new double[n];
        double[] y = new double[n];
        float[] value = new float[n];
        for (int i = 0; i < n; i++) {
            x[i] = l.x()[i * every];
            y[i] = l.y()[i * every];
            value[i] = l.value()[i * every];
        }
        return new Pattern.Level(l.level(), x, y, value, new float[0][], l.deviation());
    }

    private double alike(Pattern.Level l, PlanarMap map, float[] seen) {
        pattern.read(l, frame, map, false, seen);
        Likeness all = new Likeness();
        for (int i = 0; i < seen.length; i++) {
            if (!Float.isNaN(seen[i])) {
                all.add(l.value()[i], seen[i]);
            }
        }
        return all.pairs() >= 0.4 * seen.length ? all.correlation() * Math.sqrt(all.pairs() / seen.length) : -1;
    }
}
