package org.scenothesis.core.layer;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;

/// Coverage of outlines, kept from frame to frame while they stand still. Bounded; safe for several threads.
public final class Outlines {
    private static final int MOST = 24;
    /// Beyond all of a picture, in pictures.
    private static final double FAR = 8;

    private final Map<Shape, Mask> kept = new HashMap<>();

    private record Shape(List<Point> corners, double softnessPx, int width, int height) {}

    /// What another knows, for a worker of its own.
    public static Outlines like(Outlines other) {
        Outlines o = new Outlines();
        synchronized (other.kept) {
            o.kept.putAll(other.kept);
        }
        return o;
    }

    /// `corners` in shares of a picture of `width × height`.
    static Polygon polygon(List<Point> corners, int width, int height) {
        return new Polygon(corners.stream().map(q -> new Point(q.x() * width, q.y() * height)).toList());
    }

    Mask mask(List<Point> corners, double softnessPx, Scene scene) {
        return keep(
                new Shape(corners, softnessPx, scene.width(), scene.height()),
                () -> Mask.of(Blur.gaussian(polygon(corners, scene.width(), scene.height())
                .coverage(scene.width(), scene.height(), scene.bands()), softnessPx, scene.bands())));
    }

    /// All on one side of the line through two pixels; above is where y is less, of an upright line the left.
    Mask side(Point a, Point b, boolean above, double softnessPx, Scene scene) {
        Point along = b.minus(a).times(FAR * Math.max(scene.width(), scene.height()) / Math.max(1e-6, b.minus(a).length()));
        Point off = new Point(along.y(), -along.x());
        boolean up = off.y() < 0 || off.y() == 0 && off.x() < 0;
        Point side = up == above ? off : off.times(-1);
        Point from = a.minus(along);
        Point to = b.plus(along);
        return mask(Stream.of(from, to, to.plus(side), from.plus(side)).map(q -> new Point(q.x() / scene.width(), q.y() / scene.height()))
                .toList(), softnessPx, scene);
    }

    private Mask keep(Shape shape, Supplier<Mask> made) {
        synchronized (kept) {
            Mask had = kept.get(shape);
            if (had != null) {
                return had;
            }
        }
        Mask now = made.get();
        synchronized (kept) {
            if (kept.size() >= MOST) {
                kept.clear();
            }
            kept.put(shape, now);
        }
        return now;
    }

    /// An alpha of its own within an outline; fewer than three corners let all count.
    static Picture within(Picture p, List<Point> corners, Bands bands) {
        if (corners.size() < 3) {
            return p;
        }
        Plane inside = polygon(corners, p.width(), p.height()).coverage(p.width(), p.height(), bands);
        for (int i = 0; i < inside.data().length; i++) {
            inside.data()[i] *= p.alpha().data()[i];
        }
        return p.withAlpha(inside);
    }
}
