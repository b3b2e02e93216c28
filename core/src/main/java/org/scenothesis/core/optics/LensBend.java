package org.scenothesis.core.optics;

import org.scenothesis.core.picture.Point;

/// How a lens bends what it draws: x_d = x·(1 + k1·r²), x from where it looks in focal lengths (Brown 1966, first term). A barrel has a
/// negative `k1`.
public record LensBend(double k1) {
    private static final int ROUNDS = 12;

    /// Where the lens draws a point that a straight one would draw there.
    public Point bent(Point straight) {
        return k1 == 0 ? straight : straight.times(1 + k1 * square(straight));
    }

    /// Where a straight lens would draw a point that this one draws there.
    public Point straight(Point bent) {
        if (k1 == 0) {
            return bent;
        }
        Point p = bent;
        for (int i = 0; i < ROUNDS; i++) {
            p = bent.times(1 / (1 + k1 * square(p)));
        }
        return p;
    }

    private static double square(Point p) {
        return p.x() * p.x() + p.y() * p.y();
    }
}
