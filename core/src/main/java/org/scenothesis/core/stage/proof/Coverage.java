package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// How much of a screen is seen round everything a body does, side by side; and how large the screen must be for it.
///
/// Source: similar triangles of the swept envelope, formulas, *cloth behind a subject*; what lies outside the picture needs no cloth.
public record Coverage(SetView view, SetView.Pair pair) {
    /// Room round the movement.
    public static final double MARGIN_M = 0.15;
    private static final double EDGE_PX = 1e-4;
    private static final Point PAST = new Point(Double.NaN, Double.NaN);

    /// One side of a screen.
    public enum Side {
        LEFT,
        RIGHT,
        TOP,
        LOW
    }

    /// Cloth beyond the movement at one side, and when it is least; infinite where the picture ends first, negative infinite where the
    /// camera looks past the screen's plane.
    public record Room(Side side, double metres, double seconds) {}

    private static final double GRID_M = 0.05;
    /// What would end so near the floor hangs down to it.
    private static final double NEAR_FLOOR_M = 0.3;

    /// The size of a screen: how wide, from where above the floor, how high, how much on the floor.
    public record Cut(double wideM, double bottomM, double highM, double floorM) {}

    /// A part of a screen's plane: from its left edge, and up from the floor's line.
    public record Part(double x0, double y0, double x1, double y1) {
        public double wideM() {
            return x1 - x0;
        }

        public double highM() {
            return y1 - y0;
        }

        /// A screen of that size in whole five centimetres, no wider than `mostWideM` and no longer than `mostLongM` from its upper edge to
        /// where it ends on the floor.
        public Cut cut(double mostWideM, double mostLongM) {
            double low = y0 < NEAR_FLOOR_M ? 0 : Math.floor(y0 / GRID_M) * GRID_M;
            double high = Math.min(mostLongM, Math.max(0.1, up(y1 - low)));
            return new Cut(Math.min(mostWideM, up(wideM())), low, high, Math.clamp(up(Math.max(0, -y0)), 0, Math.max(0, mostLongM - high)));
        }

        private static double up(double metres) {
            return Math.ceil(metres / GRID_M - 1e-9) * GRID_M;
        }
    }

    /// Corners of what is seen of a body over a stretch, on the screen's plane, not a number where the ray past it meets neither that nor
    /// the floor; `edge`: it is the picture's edge and not the body's.
    private record Corner(Point on, boolean edge) {
        private boolean met() {
            return !Double.isNaN(on.x());
        }
    }

    private List<Corner> corners(SetView.Stretch s) {
        List<Vec> all = new ArrayList<>(s.from().corners());
        all.addAll(s.to().corners());
        CameraPose pose = view.pose();
        List<Corner> out = new ArrayList<>();
        for (Point p : view.outline(all).corners()) {
            boolean edge = p.x() < EDGE_PX || p.y() < EDGE_PX || p.x() > view.widthPx() - EDGE_PX || p.y() > view.heightPx() - EDGE_PX;
            out.add(new Corner(pair.sheet().met(view.eye(), pose.ray(p)).orElse(PAST), edge));
        }
        return out;
    }

    /// How far the screen hangs behind the nearest that ever comes to it, in metres; negative where it hangs before something, and hides
    /// it.
    public double gap() {
        Sheet s = pair.sheet();
        if (!s.screen().kind().upright()) {
            return Double.POSITIVE_INFINITY;
        }
        return SetView.way(pair.body()).stream().flatMap(w -> Stream.concat(w.from().corners().stream(), w.to().corners().stream()))
                .mapToDouble(c -> c.minus(s.left()).dot(s.ahead())).min().orElse(Double.POSITIVE_INFINITY);
    }

    /// The four sides; where the screen hangs before the body, none of it is round the movement.
    public List<Room> sides() {
        List<Room> out = new ArrayList<>();
        Sheet s = pair.sheet();
        double gap = gap();
        if (gap <= 0) {
            return Stream.of(Side.values()).map(side -> new Room(side, gap - MARGIN_M, 0)).toList();
        }
        for (Side side : Side.values()) {
            Room least = new Room(side, Double.POSITIVE_INFINITY, 0);
            for (SetView.Stretch stretch : SetView.way(pair.body())) {
                for (Corner c : corners(stretch)) {
                    double m = !c.met() ? Double.NEGATIVE_INFINITY : switch (side) {
                        case LEFT -> c.on.x();
                        case RIGHT -> s.wideM() - c.on.x();
                        case TOP -> s.topM() - c.on.y();
                        case LOW -> c.on.y() - s.lowM();
                    };
                    if (m < least.metres && (!c.edge || m < 0)) {
                        least = new Room(side, m, stretch.fromS());
                    }
                }
            }
            out.add(least);
        }
        return out;
    }

    /// The narrowest side, in metres; infinite where the body is not in the picture.
    public double least() {
        return sides().stream().mapToDouble(Room::metres).min().orElse(Double.POSITIVE_INFINITY);
    }

    /// The narrowest side counting where the picture ends as well; infinite where the body is not in the picture.
    public double beyond() {
        return SetView.way(pair.body()).stream().flatMap(s -> corners(s).stream()).filter(Corner::met)
                .mapToDouble(c -> pair.sheet().inside(c.on)).min().orElse(Double.POSITIVE_INFINITY);
    }

    /// What of the screen's plane is behind the movement, outlined; empty where nothing of it is in the picture.
    public Polygon behind() {
        List<Point> all = new ArrayList<>();
        SetView.way(pair.body()).forEach(s -> corners(s).stream().filter(Corner::met).map(Corner::on).forEach(all::add));
        return all.size() < 3 ? new Polygon(List.of()) : Polygon.around(all);
    }

    /// The smallest piece of that plane that leaves the margin all round; without one where the picture ends.
    public Part needed() {
        double x0 = Double.MAX_VALUE;
        double y0 = Double.MAX_VALUE;
        double x1 = -Double.MAX_VALUE;
        double y1 = -Double.MAX_VALUE;
        for (SetView.Stretch s : SetView.way(pair.body())) {
            for (Corner c : corners(s)) {
                if (!c.met()) {
                    continue;
                }
                double m = c.edge ? 0 : MARGIN_M;
                x0 = Math.min(x0, c.on.x() - m);
                x1 = Math.max(x1, c.on.x() + m);
                y0 = Math.min(y0, c.on.y() - m);
                y1 = Math.max(y1, c.on.y() + m);
            }
        }
        return x1 < x0 ? new Part(0, 0, 0, 0) : new Part(x0, y0, x1, y1);
    }
}
