package org.scenothesis.core.perspective;

import java.util.Optional;
import org.scenothesis.core.optics.LensBend;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// A camera above level ground by its numbers, its heading counted from the edges that run away (`Z`).
///
/// - `theta`: natural logarithm of the focal length in pixels; tilt, roll and heading in radians; logarithm of the lens height in metres;
///   where it looks through the picture, in pixels; bend.
///
/// Bend: x_d = x·(1 + k1·r²), x from the middle in focal lengths (Brown 1966, first term).
record Pinhole(double[] theta) {
    static final int FOCAL = 0;
    static final int TILT = 1;
    static final int ROLL = 2;
    static final int HEADING = 3;
    static final int HEIGHT = 4;
    static final int CX = 5;
    static final int CY = 6;
    static final int BEND = 7;
    static final int SIZE = 8;

    double focal() {
        return Math.exp(theta[FOCAL]);
    }

    double lensM() {
        return Math.exp(theta[HEIGHT]);
    }

    /// A picture point, straightened, in pixels from where the lens looks.
    Point straight(Point p) {
        double f = focal();
        return new LensBend(theta[BEND]).straight(new Point((p.x() - theta[CX]) / f, (p.y() - theta[CY]) / f)).times(f);
    }

    /// The same bent again, in pixels of the picture.
    Point bent(Point straight) {
        double f = focal();
        return new Point(theta[CX], theta[CY]).plus(new LensBend(theta[BEND]).bent(straight.times(1 / f)).times(f));
    }

    /// Rows: right, down, forward of the camera; right of its heading, up, along its heading.
    private double[][] axes() {
        double st = Math.sin(theta[TILT]);
        double ct = Math.cos(theta[TILT]);
        double sr = Math.sin(theta[ROLL]);
        double cr = Math.cos(theta[ROLL]);
        return new double[][] {{cr, -sr * ct, sr * st}, {-sr, -cr * ct, cr * st}, {0, st, ct}};
    }

    /// A direction of the world as the camera has it: right, down, forward.
    Vec seen(Marks.Direction d) {
        double[][] r = axes();
        double sh = Math.sin(theta[HEADING]);
        double ch = Math.cos(theta[HEADING]);
        double[] w = switch (d) {
            case X -> new double[] {ch, 0, sh};
            case Y -> new double[] {0, 1, 0};
            case Z -> new double[] {-sh, 0, ch};
        };
        return new Vec(r[0][0] * w[0] + r[0][1] * w[1] + r[0][2] * w[2], r[1][0] * w[0] + r[1][1] * w[1] + r[1][2] * w[2], r[2][0] * w[0]
                + r[2][1] * w[1] + r[2][2] * w[2]);
    }

    /// The ray through a picture point: right of the heading, up, along the heading; not of unit length.
    Vec ray(Point p) {
        double[][] r = axes();
        Point q = straight(p);
        double x = q.x() / focal();
        double y = q.y() / focal();
        return new Vec(r[0][0] * x + r[1][0] * y + r[2][0], r[0][1] * x + r[1][1] * y + r[2][1], r[0][2] * x + r[1][2] * y + r[2][2]);
    }

    /// Where a point of the ground lies from below the camera, in metres; empty at and above the horizon.
    Optional<Vec> ground(Point p) {
        Vec d = ray(p);
        double t = -lensM() / d.y();
        return d.y() < -1e-6 ? Optional.of(new Vec(d.x() * t, 0, d.z() * t)) : Optional.empty();
    }

    /// How high something reaches that stands at a point of the ground, in metres; empty where that point is none, or the top lies behind
    /// the camera.
    Optional<Double> height(Point base, Point top) {
        return ground(base).flatMap(g -> {
            Vec d = ray(top);
            double flat = d.x() * d.x() + d.z() * d.z();
            double t = (d.x() * g.x() + d.z() * g.z()) / flat;
            return t > 0 ? Optional.of(lensM() + t * d.y()) : Optional.empty();
        });
    }

    /// How far two points of the ground are apart, in metres.
    Optional<Double> apart(Point a, Point b) {
        return ground(a).flatMap(g -> ground(b).map(h -> g.minus(h).length()));
    }

    Optional<Double> length(Marks.Length l) {
        return l.stands() == Marks.Stands.GROUND ? apart(l.from(), l.to()) : height(l.from(), l.to()).filter(h -> h > 0);
    }

    /// Where a point of the world appears, right of below the camera, up from the ground, along the heading; empty behind it.
    Optional<Point> project(Vec v) {
        double[][] r = axes();
        double y = v.y() - lensM();
        double z = r[2][0] * v.x() + r[2][1] * y + r[2][2] * v.z();
        double f = focal();
        return z <= 1e-6 ? Optional.empty()
                : Optional.of(bent(new Point(f * (r[0][0] * v.x() + r[0][1] * y + r[0][2] * v.z()) / z,
                f * (r[1][0] * v.x() + r[1][1] * y + r[1][2] * v.z()) / z)));
    }

    /// The straight horizon's height in the picture at a column.
    double horizonY(double x) {
        Vec up = seen(Marks.Direction.Y);
        double q = x - theta[CX];
        return theta[CY] - (up.x() * q + up.z() * focal()) / up.y();
    }

    /// How far a picture point is from the horizon, in pixels.
    double offHorizon(Point p) {
        Vec up = seen(Marks.Direction.Y);
        Point q = straight(p);
        return (up.x() * q.x() + up.y() * q.y() + up.z() * focal()) / Math.hypot(up.x(), up.y());
    }

    /// How far an edge is from running in its direction: the deviation of both ends, in pixels, from the best line through the vanishing
    /// point; signed. Finite for directions that vanish at infinity.
    double off(Marks.Line l) {
        Vec d = seen(l.direction());
        double f = focal();
        double vx = f * d.x();
        double vy = f * d.y();
        double w = d.z();
        Point p = straight(l.from());
        Point q = straight(l.to());
        double px = w * p.x() - vx;
        double py = w * p.y() - vy;
        double qx = w * q.x() - vx;
        double qy = w * q.y() - vy;
        double t = px * px + py * py + qx * qx + qy * qy;
        double c = px * qy - py * qx;
        double most = (t + Math.sqrt(Math.max(0, t * t - 4 * c * c))) / 2;
        double cross = w * (p.x() * q.y() - p.y() * q.x()) - (p.x() * vy - p.y() * vx) + (q.x() * vy - q.y() * vx);
        return cross / Math.sqrt(Math.max(1e-12, most));
    }
}
