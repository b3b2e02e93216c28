package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// The light on the part of a screen that is seen behind a body, with its margin: as it is lit, and as the body shades it.
///
/// - `cells`: points of a grid over it; `litLux` without bodies.
public record ClothMap(Sheet sheet, List<ClothMap.Cell> cells, double darkestShadowStops, double shadowSeconds, Point shadowAt) {
    private static final int ACROSS = 15;
    private static final int UP = 11;

    /// One point: its light, and by how many stops the body takes of it at worst where it does not hide it.
    public record Cell(Point at, double litLux, double shadeStops) {}

    /// Of what is seen of a pair; empty of cells where nothing is.
    public static ClothMap of(SetView view, SetView.Pair pair, LightField light) {
        Sheet s = pair.sheet();
        Polygon behind = new Coverage(view, pair).behind();
        List<Cell> out = new ArrayList<>();
        double worst = 0;
        double when = 0;
        Point where = Point.ZERO;
        if (!behind.empty()) {
            double m = Coverage.MARGIN_M;
            List<Block> still = view.stillBlocks(s.piece());
            List<Double> times = SetView.times(pair.body());
            List<Point> grid = s.grid(
                    Math.max(0, behind.lowX() - m), Math.max(s.lowM(), behind.lowY() - m), Math.min(s.wideM(), behind.highX() + m),
                    Math.min(s.topM(), behind.highY() + m), ACROSS, UP);
            for (Point p : grid) {
                Vec at = s.world(p);
                if (s.inside(p) < 0 || behind.outside(p) > m || !view.seen(at)) {
                    continue;
                }
                double lit = light.at(at, s.normal(p), still);
                double shade = 0;
                for (double t : times) {
                    Block body = SetView.box(pair.body(), t);
                    if (body.cuts(view.eye(), at.plus(s.normal(p).times(1e-4)))) {
                        continue;
                    }
                    List<Block> with = new ArrayList<>(still);
                    with.add(body);
                    double dark = lit <= 0 ? 0 : Math.log(lit / Math.max(1e-9 * lit, light.at(at, s.normal(p), with))) / Math.log(2);
                    if (dark > shade) {
                        shade = dark;
                    }
                    if (dark > worst) {
                        worst = dark;
                        when = t;
                        where = p;
                    }
                }
                out.add(new Cell(p, lit, shade));
            }
        }
        return new ClothMap(s, out, worst, when, where);
    }

    /// Brightest to darkest of it as it is lit, in stops; not a number where none of it is seen, infinite where some gets no light.
    public double unevenStops() {
        double most = cells.stream().mapToDouble(Cell::litLux).max().orElse(Double.NaN);
        double least = cells.stream().mapToDouble(Cell::litLux).min().orElse(Double.NaN);
        return least <= 0 && most > 0 ? Double.POSITIVE_INFINITY : Math.log(most / least) / Math.log(2);
    }

    /// Where it is brightest.
    public Point brightest() {
        return cells.stream().max((a, b) -> Double.compare(a.litLux, b.litLux)).map(Cell::at).orElse(Point.ZERO);
    }

    /// The mean light on it, in lux.
    public double meanLux() {
        return cells.stream().mapToDouble(Cell::litLux).average().orElse(Double.NaN);
    }
}
