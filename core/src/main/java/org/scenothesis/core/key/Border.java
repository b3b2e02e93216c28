package org.scenothesis.core.key;

import java.util.List;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;

/// The smallest distance in pixels from the subject to the border of the cloth, and on which side.
///
/// - `px` is −1 without a subject; where the cloth fills the picture there is no border, and `px` is the picture's larger side.
/// - A garbage matte that cuts into the subject counts as a border that it touches.
public record Border(int px, Side side) {
    public enum Side {
        LEFT,
        TOP,
        RIGHT,
        BOTTOM,
        NONE
    }

    static Border of(Keyed keyed, ScreenModel model) {
        Box frame = Box.all(keyed.alpha());
        Box subject = Box.around(keyed.alpha(), 0.5f);
        if (subject.isEmpty()) {
            return new Border(-1, Side.NONE);
        }
        Border nearest = new Border(Math.max(frame.width(), frame.height()), Side.NONE);
        int[] garbage = room(subject, Box.around(keyed.inside(), 0.5f), frame);
        for (int k = 0; k < 4; k++) {
            nearest = garbage[k] <= 0 ? new Border(0, Side.values()[k]) : nearest;
        }
        Polygon cloth = model.cloth();
        return cloth == null || nearest.px == 0 ? nearest : toCloth(keyed.alpha(), cloth.corners(), nearest, subject);
    }

    /// The nearest that any solid pixel comes to an edge of the cloth.
    private static Border toCloth(Plane alpha, List<Point> cloth, Border none, Box subject) {
        double least = none.px;
        Side side = none.side;
        for (int y = 0; y < alpha.height(); y++) {
            for (int x : ends(alpha, y)) {
                for (int i = 0; i < cloth.size(); i++) {
                    Point a = cloth.get(i);
                    Point b = cloth.get((i + 1) % cloth.size());
                    Side where = side(a, b, alpha);
                    // Where the cloth goes on beyond the picture there is no edge of it.
                    double d = Cloth.onFrame(a, b, alpha.width(), alpha.height()) || cutByFrame(subject, where, alpha) ? least
                            : distance(x + 0.5, y + 0.5, a, b);
                    if (d < least) {
                        least = d;
                        side = where;
                    }
                }
            }
        }
        return new Border((int) Math.floor(least), side);
    }

    /// The first and last solid pixel of a row, which lie nearest to any outline that bends outwards; none in an empty row.
    private static int[] ends(Plane alpha, int y) {
        int first = -1;
        int last = -1;
        for (int x = 0; x < alpha.width(); x++) {
            if (alpha.at(x, y) >= 0.5f) {
                first = first < 0 ? x : first;
                last = x;
            }
        }
        return first < 0 ? new int[0] : new int[] {first, last};
    }

    /// A subject that the picture itself cuts, as at the waist, keeps no distance on that side.
    private static boolean cutByFrame(Box subject, Side side, Plane p) {
        return switch (side) {
            case LEFT -> subject.left() <= 0;
            case TOP -> subject.top() <= 0;
            case RIGHT -> subject.right() >= p.width();
            case BOTTOM -> subject.bottom() >= p.height();
            case NONE -> false;
        };
    }

    private static double distance(double x, double y, Point a, Point b) {
        double dx = b.x() - a.x();
        double dy = b.y() - a.y();
        double t = Math.clamp(((x - a.x()) * dx + (y - a.y()) * dy) / Math.max(1e-9, dx * dx + dy * dy), 0, 1);
        return Math.hypot(x - a.x() - t * dx, y - a.y() - t * dy);
    }

    private static Side side(Point a, Point b, Plane p) {
        double mx = (a.x() + b.x()) / 2 / p.width() - 0.5;
        double my = (a.y() + b.y()) / 2 / p.height() - 0.5;
        boolean upright = Math.abs(b.y() - a.y()) > Math.abs(b.x() - a.x());
        return upright ? mx < 0 ? Side.LEFT : Side.RIGHT : my < 0 ? Side.TOP : Side.BOTTOM;
    }

    /// Left, top, right, bottom; no limit on a side where `outer` reaches the edge of the picture.
    private static int[] room(Box subject, Box outer, Box frame) {
        int none = Math.max(frame.width(), frame.height());
        return new int[] {
            outer.left() <= 0 ? none : subject.left() - outer.left(), outer.top() <= 0 ? none : subject.top() - outer.top(),
            outer.right() >= frame.right() ? none : outer.right() - subject.right(),
            outer.bottom() >= frame.bottom() ? none : outer.bottom() - subject.bottom()
        };
    }
}
