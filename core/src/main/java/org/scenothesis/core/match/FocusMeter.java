package org.scenothesis.core.match;

import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.Robust;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// How much wider the edges of the set are than in the reference, read at the points that stand still.
///
/// What two neighbouring pixels differ by is held against what pixels farther apart differ by, in each picture by itself, so that neither
/// brightness nor contrast counts: the wider an edge, the less of its height lies between neighbours.
final class FocusMeter {
    private static final int MOST = 360;
    private static final int HALF = 5;
    private static final int FAR = 5;
    private static final int ENOUGH = 24;
    /// A patch with less contrast than this, in shares of the code range between pixels that are `FAR` apart, tells of noise.
    private static final double CONTRAST = 0.06;
    private static final double LEAST = 2 * (2 * HALF + 1) * (2 * HALF + 1) * CONTRAST * CONTRAST;

    private final Plane reference;
    private final List<Point> points;
    private final double[][] own;

    FocusMeter(Plane reference, List<Point> points) {
        this.reference = reference;
        this.points = points;
        own = new double[points.size()][];
    }

    /// Edges of the set against the reference's, 1 where they are alike; NaN where too few points tell.
    double softer(Plane take, PlanarMap map, boolean[] used) {
        int stride = Math.max(1, points.size() / MOST);
        double[] ratios = new double[points.size() / stride + 1];
        int n = 0;
        for (int i = 0; i < points.size(); i += stride) {
            if (!used[i]) {
                continue;
            }
            double[] here = own[i] != null ? own[i] : energies(reference, points.get(i));
            own[i] = here;
            double[] there = energies(take, map.map(points.get(i)));
            if (here[1] > LEAST && there[1] > LEAST) {
                ratios[n++] = here[0] / here[1] / (there[0] / there[1]);
            }
        }
        return n < ENOUGH ? Double.NaN : Robust.median(Arrays.copyOf(ratios, n));
    }

    /// Mean square difference of neighbours, and of pixels that are `FAR` apart; nothing near the border.
    private static double[] energies(Plane p, Point at) {
        int x0 = (int) at.x();
        int y0 = (int) at.y();
        int margin = HALF + FAR + 1;
        if (x0 < margin || y0 < margin || x0 >= p.width() - margin || y0 >= p.height() - margin) {
            return new double[2];
        }
        double near = 0;
        double far = 0;
        for (int y = y0 - HALF; y <= y0 + HALF; y++) {
            for (int x = x0 - HALF; x <= x0 + HALF; x++) {
                near += square(p.at(x + 1, y) - p.at(x - 1, y)) + square(p.at(x, y + 1) - p.at(x, y - 1));
                far += square(p.at(x + FAR, y) - p.at(x - FAR, y)) + square(p.at(x, y + FAR) - p.at(x, y - FAR));
            }
        }
        return new double[] {near, far};
    }

    private static double square(double v) {
        return v * v;
    }
}
