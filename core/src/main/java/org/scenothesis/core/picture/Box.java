package org.scenothesis.core.picture;

import java.util.List;

/// A rectangle of whole pixels: `left`, `top` inside, `right`, `bottom` just outside. Empty when it has no pixel.
public record Box(int left, int top, int right, int bottom) {
    /// The box of a whole plane.
    public static Box all(Plane p) {
        return new Box(0, 0, p.width(), p.height());
    }

    /// In pixels.
    public int width() {
        return Math.max(0, right - left);
    }

    /// In pixels.
    public int height() {
        return Math.max(0, bottom - top);
    }

    /// Whether it holds no pixel.
    public boolean isEmpty() {
        return width() == 0 || height() == 0;
    }

    /// Wider by `px` on every side.
    public Box grown(int px) {
        return new Box(left - px, top - px, right + px, bottom + px);
    }

    /// The same box elsewhere, by pixels.
    public Box moved(int x, int y) {
        return new Box(left + x, top + y, right + x, bottom + y);
    }

    /// The smallest box around both; an empty one counts for nothing.
    public Box and(Box o) {
        if (isEmpty() || o.isEmpty()) {
            return isEmpty() ? o : this;
        }
        return new Box(Math.min(left, o.left), Math.min(top, o.top), Math.max(right, o.right), Math.max(bottom, o.bottom));
    }

    /// What both hold; empty if they do not meet.
    public Box within(Box o) {
        return new Box(Math.max(left, o.left), Math.max(top, o.top), Math.min(right, o.right), Math.min(bottom, o.bottom));
    }

    /// The smallest box around points; empty for none.
    public static Box around(List<Point> points) {
        double l = Double.MAX_VALUE;
        double t = Double.MAX_VALUE;
        double r = -Double.MAX_VALUE;
        double b = -Double.MAX_VALUE;
        for (Point p : points) {
            l = Math.min(l, p.x());
            t = Math.min(t, p.y());
            r = Math.max(r, p.x());
            b = Math.max(b, p.y());
        }
        return points.isEmpty() ? new Box(0, 0, 0, 0) : new Box((int) Math.floor(l), (int) Math.floor(t), (int) Math.ceil(r),
                (int) Math.ceil(b));
    }

    /// The smallest box around all values above `least`.
    public static Box around(Plane p, float least) {
        int l = p.width();
        int t = p.height();
        int r = 0;
        int b = 0;
        for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < p.width(); x++) {
                if (p.data()[y * p.width() + x] > least) {
                    l = Math.min(l, x);
                    r = Math.max(r, x + 1);
                    t = Math.min(t, y);
                    b = y + 1;
                }
            }
        }
        return new Box(l, t, r, b);
    }

    /// The corners as points.
    public List<Point> corners() {
        return List.of(new Point(left, top), new Point(right, top), new Point(right, bottom), new Point(left, bottom));
    }

    /// The part of a plane that lies in this box, which must lie in the plane.
    public Plane cut(Plane p) {
        Plane out = Plane.of(width(), height());
        for (int y = 0; y < height(); y++) {
            System.arraycopy(p.data(), (top + y) * p.width() + left, out.data(), y * width(), width());
        }
        return out;
    }

    /// That part of a picture, copied.
    public Picture cut(Picture p) {
        Plane a = p.a();
        return new Picture(cut(p.r()), cut(p.g()), cut(p.b()), a == null ? null : cut(a));
    }

    /// Puts a part back into a plane of `width × height` filled with `rest`.
    public Plane put(Plane part, int width, int height, float rest) {
        Plane out = Plane.filled(width, height, rest);
        for (int y = 0; y < height(); y++) {
            System.arraycopy(part.data(), y * width(), out.data(), (top + y) * width + left, width());
        }
        return out;
    }
}
