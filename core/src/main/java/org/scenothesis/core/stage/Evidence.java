package org.scenothesis.core.stage;

import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// What somebody showed in a picture, from which its camera and its light follow: kept, so that what follows can be found again once something else is told. All points are in shares of the picture.
public sealed interface Evidence {
    /// Its points, in the order in which they are told.
    List<Point> points();

    /// The same at other points; as many as there are.
    Evidence at(List<Point> points);

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

        @Override
        public List<Point> points() {
            return List.of();
        }

        @Override
        public Evidence at(List<Point> p) {
            return this;
        }
    }
}
