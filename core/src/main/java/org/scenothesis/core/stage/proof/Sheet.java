package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;

/// A screen laid out flat: across from its left edge, and up from the floor's line, below 0 where it lies on the floor in front of itself.
/// Metres.
///
/// - `left`: the foot of its left edge as it is faced. `lowM`, `topM`: from where to where it reaches; they end at 0 and below where some
///   of it is on the floor.
public record Sheet(Piece piece, Backdrop screen, Vec left, Vec right, Vec ahead, double wideM, double lowM, double topM) {
    /// The screen of a piece; empty for one that is worn.
    public static Optional<Sheet> of(Piece p) {
        if (!(p.thing() instanceof Backdrop s) || s.kind().worn()) {
            return Optional.empty();
        }
        Spot at = p.at();
        double wide = s.wideM().value();
        double floor = s.floorM().value();
        double low = s.kind().upright() ? s.bottomM().value() > 0.02 ? s.bottomM().value() : -floor : -floor;
        double top = s.kind().upright() ? s.topM() : 0;
        return Optional.of(new Sheet(p, s, at.up(0).minus(at.right().times(wide / 2)), at.right(), at.ahead(), wide, low, top));
    }

    /// Where a point of it is in the world.
    public Vec world(Point p) {
        Vec along = left.plus(right.times(p.x()));
        return p.y() >= 0 ? along.plus(Vec.UP.times(p.y())) : along.plus(ahead.times(-p.y()));
    }

    /// Which way it faces there.
    public Vec normal(Point p) {
        return p.y() >= 0 ? ahead : Vec.UP;
    }

    /// Where a ray from before it meets it, or its plane or floor beyond its edges; empty where it meets neither.
    public Optional<Point> met(Vec from, Vec direction) {
        double towards = -direction.dot(ahead);
        double away = from.minus(left).dot(ahead);
        if (away <= 1e-9) {
            return Optional.empty();
        }
        if (towards > 1e-9) {
            Vec at = from.plus(direction.times(away / towards));
            if (at.y() >= 0) {
                return Optional.of(new Point(at.minus(left).dot(right), at.y()));
            }
        }
        if (direction.y() >= -1e-9) {
            return Optional.empty();
        }
        Vec at = from.plus(direction.times(-from.y() / direction.y()));
        return Optional.of(new Point(at.minus(left).dot(right), -at.minus(left).dot(ahead)));
    }

    /// How far inside its nearest edge a point of its plane is, negative outside.
    public double inside(Point p) {
        return Math.min(Math.min(p.x(), wideM - p.x()), Math.min(p.y() - lowM, topM - p.y()));
    }

    /// A grid of points over a part of it.
    List<Point> grid(double x0, double y0, double x1, double y1, int across, int up) {
        List<Point> out = new ArrayList<>();
        for (int j = 0; j < up; j++) {
            for (int i = 0; i < across; i++) {
                out.add(new Point(x0 + (x1 - x0) * (i + 0.5) / across, y0 + (y1 - y0) * (j + 0.5) / up));
            }
        }
        return out;
    }
}
