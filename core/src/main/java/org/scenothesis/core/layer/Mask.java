package org.scenothesis.core.layer;

import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Plane;

/// How much of every pixel counts, 0 to 1; nothing beyond `at`.
public record Mask(Plane coverage, Box at) {
    public Mask {
        Check.that(coverage.width() == at.width() && coverage.height() == at.height(), "the mask does not fill its box");
    }

    /// A mask that may have something everywhere.
    public static Mask whole(Plane p) {
        return new Mask(p, Box.all(p));
    }

    /// The part of a plane that is not 0; one pixel if there is none.
    public static Mask of(Plane p) {
        Box box = Box.around(p, 0);
        Box kept = box.isEmpty() ? new Box(0, 0, 1, 1) : box;
        return new Mask(kept.cut(p), kept);
    }

    /// What counts in both.
    Mask times(Mask other) {
        Box both = at.within(other.at);
        if (both.isEmpty()) {
            return new Mask(Plane.of(1, 1), new Box(0, 0, 1, 1));
        }
        Plane a = both.moved(-at.left(), -at.top()).cut(coverage);
        Plane b = both.moved(-other.at.left(), -other.at.top()).cut(other.coverage);
        Plane out = Plane.of(both.width(), both.height());
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = a.data()[i] * b.data()[i];
        }
        return new Mask(out, both);
    }
}
