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

    /// What does not count, within a box.
    Mask rest(Box in) {
        Plane out = in(in);
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = 1 - out.data()[i];
        }
        return new Mask(out, in);
    }

    /// What counts in either.
    Mask and(Mask other) {
        Box both = at.and(other.at);
        Plane out = in(both);
        Plane more = other.in(both);
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = Math.max(out.data()[i], more.data()[i]);
        }
        return new Mask(out, both);
    }

    /// The coverage of a box, nothing where the mask has nothing.
    Plane in(Box box) {
        Box shared = at.within(box);
        return shared.isEmpty() ? Plane.of(box.width(), box.height())
                : shared.moved(-box.left(), -box.top()).put(shared.moved(-at.left(), -at.top()).cut(coverage), box.width(), box.height(),
                0);
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
