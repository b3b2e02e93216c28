package org.scenothesis.core.stage;

import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// What somebody showed in a picture, from which its camera and its light follow: kept, so that what follows can be found again once
/// something else is told. All points are in shares of the picture.
public sealed interface Evidence {
    /// Its points, in the order in which they are told; none of what is known and has no place.
    default List<Point> points() {
        return List.of();
    }

    /// The same at other points; as many as there are.
    default Evidence at(List<Point> points) {
        return this;
    }

    private static void near(String what, Point... points) {
        for (Point p : points) {
            Check.range(what, Math.max(Math.abs(p.x()), Math.abs(p.y())), 0, 20);
        }
    }

    /// Something upright on the ground: where it stands and its top, and how high it is.
    record Upright(Point foot, Point top, double heightM) implements Evidence {
        public Upright {
            Check.range("heightM", heightM, 0.01, 100);
            near("foot", foot);
            near("top", top);
        }

        @Override
        public List<Point> points() {
            return List.of(foot, top);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Upright(p.get(0), p.get(1), heightM);
        }
    }

    /// Which way an edge runs in the set: level across the picture, upright, or level away from the camera.
    enum Runs {
        ACROSS,
        UP,
        AWAY
    }

    /// A straight edge of the set.
    record Edge(Runs runs, Point from, Point to) implements Evidence {
        public Edge {
            near("edge", from, to);
        }

        @Override
        public List<Point> points() {
            return List.of(from, to);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Edge(runs, p.get(0), p.get(1));
        }
    }

    /// Two points of the horizon.
    record Horizon(Point from, Point to) implements Evidence {
        public Horizon {
            near("horizon", from, to);
        }

        @Override
        public List<Point> points() {
            return List.of(from, to);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Horizon(p.get(0), p.get(1));
        }
    }

    /// A known length on the ground.
    record Span(Point from, Point to, double metres) implements Evidence {
        public Span {
            Check.range("metres", metres, 0.001, 10_000);
            near("span", from, to);
        }

        @Override
        public List<Point> points() {
            return List.of(from, to);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Span(p.get(0), p.get(1), metres);
        }
    }

    /// Something upright and the shadow of its top on the ground.
    record Shadow(Point base, Point top, Point tip) implements Evidence {
        public Shadow {
            near("shadow", base, top, tip);
        }

        @Override
        public List<Point> points() {
            return List.of(base, top, tip);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Shadow(p.get(0), p.get(1), p.get(2));
        }
    }

    /// Something neutral.
    record Grey(Point place) implements Evidence {
        public Grey {
            near("grey", place);
        }

        @Override
        public List<Point> points() {
            return List.of(place);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Grey(p.getFirst());
        }
    }

    /// The lens the picture was taken with, by its angle of view across the picture, in degrees: known, not shown, so that it has no place.
    record Lens(double viewDeg) implements Evidence {
        public Lens {
            Check.range("viewDeg", viewDeg, 3, 150);
        }
    }

    /// How high the lens stood above the ground: measured at the tripod, not shown.
    record LensHeight(double metres) implements Evidence {
        public LensHeight {
            Check.range("metres", metres, 0.01, 1000);
        }
    }

    /// A measuring tape laid along the ground: it tells nothing, it is read.
    record Tape(Point from, Point to) implements Evidence {
        public Tape {
            near("tape", from, to);
        }

        @Override
        public List<Point> points() {
            return List.of(from, to);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Tape(p.get(0), p.get(1));
        }
    }

    /// A measuring staff stood upright on the ground: it is read as well.
    record Staff(Point foot, Point top) implements Evidence {
        public Staff {
            near("staff", foot, top);
        }

        @Override
        public List<Point> points() {
            return List.of(foot, top);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Staff(p.get(0), p.get(1));
        }
    }

    /// A field of square tiles on the ground, its joints along the edges that run away and across.
    ///
    /// - `across`, `away`: tiles between its corners. `metres`: how large one is, 0 where nobody knows.
    record Tiles(Point nearLeft, Point nearRight, Point farRight, Point farLeft, int across, int away, double metres) implements Evidence {
        private static final int MOST = 1000;

        public Tiles {
            near("tiles", nearLeft, nearRight, farRight, farLeft);
            Check.range("across", across, 1, MOST);
            Check.range("away", away, 1, MOST);
            Check.range("metres", metres, 0, 100);
        }

        @Override
        public List<Point> points() {
            return List.of(nearLeft, nearRight, farRight, farLeft);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Tiles(p.get(0), p.get(1), p.get(2), p.get(3), across, away, metres);
        }
    }

    /// How a surface lies to the key: level, upright towards the camera, or square to the key.
    enum Lies {
        GROUND,
        UPRIGHT,
        FACING
    }

    /// The same surface once in the light of the key and once in its shadow.
    record Shade(Point lit, Point dark, Lies lies) implements Evidence {
        public Shade {
            near("shade", lit, dark);
        }

        @Override
        public List<Point> points() {
            return List.of(lit, dark);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Shade(p.get(0), p.get(1), lies);
        }
    }

    /// What a round thing is.
    enum Shape {
        BALL,
        HEAD,
        /// Somebody upright: round from side to side only.
        FIGURE
    }

    /// Something round by its middle and a point of its outline.
    record Round(Shape shape, Point middle, Point edge) implements Evidence {
        public Round {
            near("round", middle, edge);
        }

        @Override
        public List<Point> points() {
            return List.of(middle, edge);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Round(shape, p.get(0), p.get(1));
        }
    }

    /// A lamp or a window that is seen.
    record Lamp(Point place) implements Evidence {
        public Lamp {
            near("lamp", place);
        }

        @Override
        public List<Point> points() {
            return List.of(place);
        }

        @Override
        public Evidence at(List<Point> p) {
            return new Lamp(p.getFirst());
        }
    }
}
