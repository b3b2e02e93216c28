package org.scenothesis.core.perspective;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;

/// Lays a line that was set nearly on an edge of the picture on that edge: the steepest place across it, at many places along it, to a
/// tenth of a pixel.
public final class EdgeSnap {
    private static final int PLACES = 48;
    private static final double REACH_PX = 4;
    private static final double STEP_PX = 0.25;
    private static final double ENOUGH = 0.5;
    private static final double CLEAR = 0.015;
    private static final double TURN_PX = 1.2;

    private EdgeSnap() {}

    /// The line on its edge, as long as it was; the same line where there is no clear edge. `luma`: code values.
    public static Marks.Line snapped(Plane luma, Marks.Line line) {
        Point d = line.to().minus(line.from()).times(1 / line.px());
        Point across = new Point(-d.y(), d.x());
        List<double[]> found = new ArrayList<>();
        for (int i = 0; i < PLACES; i++) {
            double along = line.px() * (i + 0.5) / PLACES;
            Point m = line.from().plus(d.times(along));
            double best = 0;
            double at = Double.NaN;
            double[] steep = new double[(int) (2 * REACH_PX / STEP_PX) + 1];
            for (int k = 0; k < steep.length; k++) {
                double off = k * STEP_PX - REACH_PX;
                steep[k] = Math.abs(at(luma, m.plus(across.times(off + 0.7))) - at(luma, m.plus(across.times(off - 0.7))));
                if (steep[k] > best) {
                    best = steep[k];
                    at = k;
                }
            }
            int k = (int) at;
            if (best > CLEAR && k > 0 && k < steep.length - 1) {
                double bend = steep[k - 1] - 2 * steep[k] + steep[k + 1];
                double more = bend < 0 ? 0.5 * (steep[k - 1] - steep[k + 1]) / bend : 0;
                found.add(new double[] {along, (k + more) * STEP_PX - REACH_PX});
            }
        }
        return fitted(line, d, across, found);
    }

    private static Marks.Line fitted(Marks.Line line, Point d, Point across, List<double[]> found) {
        List<double[]> kept = found;
        double slope = 0;
        double middle = 0;
        for (int round = 0; round < 4; round++) {
            if (kept.size() < ENOUGH * PLACES) {
                return line;
            }
            double n = kept.size();
            double mx = kept.stream().mapToDouble(f -> f[0]).sum() / n;
            double my = kept.stream().mapToDouble(f -> f[1]).sum() / n;
            slope = kept.stream().mapToDouble(f -> (f[0] - mx) * (f[1] - my)).sum() / kept.stream()
                    .mapToDouble(f -> (f[0] - mx) * (f[0] - mx)).sum();
            middle = my - slope * mx;
            double s = slope;
            double m = middle;
            double gate = round == 0 ? 2.5 : TURN_PX;
            kept = found.stream().filter(f -> Math.abs(f[1] - m - s * f[0]) < gate).toList();
        }
        return kept.size() < ENOUGH * PLACES ? line
                : new Marks.Line(line.direction(), line.from().plus(across.times(middle)), line.from().plus(d.times(line.px()))
                .plus(across.times(middle + slope * line.px())));
    }

    private static double at(Plane p, Point q) {
        return Resample.linear(p, q.x(), q.y());
    }
}
