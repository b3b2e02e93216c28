package org.scenothesis.core.layer;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Solve;
import org.scenothesis.core.shot.step.DrawnShadow;

/// A shadow drawn by hand: an affine map lays the matte down along the light about the line it stands on; where the ground ends it goes up
/// the wall.
///
/// On the wall it is as high as what throws it would be, were it as far from its shadow there as on the ground: the ratio of height to
/// length of the drawn ray.
final class DrawnShadowUnit {
    /// At the ground the shadow is as sharp as this.
    private static final double CONTACT_PX = 0.6;

    private DrawnShadowUnit() {}

    static Mask density(DrawnShadow cast, Mask matte, Scene scene) {
        List<Point> p = cast.points(scene.seconds()).stream().map(q -> new Point(q.x() * scene.width(), q.y() * scene.height())).toList();
        Optional<PlanarMap> ground = affine(List.of(p.get(0), p.get(1), p.get(2)), List.of(p.get(0), p.get(1), p.get(3)));
        if (ground.isEmpty() || cast.density() == 0) {
            return ThrownShadow.NONE;
        }
        Point foot = onLine(p.get(0), p.get(1), p.get(2));
        double height = p.get(2).minus(foot).length();
        // The softness is told for the height of the drawn ray.
        double across = Math.max(1, foot.y() - p.get(2).y());
        DoubleUnaryOperator sigma = y -> Math.max(CONTACT_PX, cast.softnessPx() * Math.max(0, (foot.y() - y) / across));
        Point ray = p.get(3).minus(foot);
        Mask floor = ThrownShadow.of(matte, ground.get(), sigma, scene.frame(), scene.bands());
        Optional<PlanarMap> fold = ray.length() < 1 ? Optional.empty() : fold(p.get(4), p.get(5), ray, height / ray.length());
        Mask out = fold.isEmpty() ? floor
                : folded(floor, ThrownShadow.of(matte, fold.get().after(ground.get()), sigma, scene.frame(), scene.bands()), p.get(4),
                p.get(5), scene);
        Mask kept = cast.limit().size() < 3 ? out : out.times(scene.outlines().mask(cast.limit(), 1, scene));
        float[] v = kept.coverage().data();
        Plane dense = Plane.of(kept.coverage().width(), kept.coverage().height());
        for (int i = 0; i < v.length; i++) {
            dense.data()[i] = (float) (v[i] * cast.density());
        }
        return new Mask(dense, kept.at());
    }

    /// Straight below a point on a line; of an upright line its first end.
    private static Point onLine(Point a, Point b, Point over) {
        double t = b.x() == a.x() ? 0 : (over.x() - a.x()) / (b.x() - a.x());
        return a.plus(b.minus(a).times(t));
    }

    /// The map that keeps lines straight and parallel ones parallel and takes three points to three others; empty where they lie on a line.
    static Optional<PlanarMap> affine(List<Point> from, List<Point> to) {
        double[][] x = new double[3][];
        double[][] y = new double[3][];
        for (int i = 0; i < 3; i++) {
            x[i] = new double[] {from.get(i).x(), from.get(i).y(), 1, to.get(i).x()};
            y[i] = new double[] {from.get(i).x(), from.get(i).y(), 1, to.get(i).y()};
        }
        return Solve.linear(x).flatMap(a -> Solve.linear(y).map(b -> new PlanarMap(a[0], a[1], a[2], b[0], b[1], b[2], 0, 0, 1)))
                .filter(PlanarMap::invertible);
    }

    /// What would lie on the ground behind the line goes up from it.
    private static Optional<PlanarMap> fold(Point a, Point b, Point ray, double steep) {
        Point on = a.plus(ray);
        return affine(List.of(a, b, on), List.of(a, b, a.plus(new Point(0, -ray.length() * steep))));
    }

    /// The one below the line and the other above it.
    private static Mask folded(Mask floor, Mask wall, Point a, Point b, Scene scene) {
        return ThrownShadow.sum(List.of(floor.times(scene.outlines().side(a, b, false, 0, scene)),
                wall.times(scene.outlines().side(a, b, true, 0, scene))));
    }
}
