package org.scenothesis.core.light;

import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// Values between pixels.
final class Samples {
    private Samples() {}

    /// Between the four nearest, by how near they are; at the edges as it is there.
    static double at(Plane p, Point q) {
        double x = Math.clamp(q.x() - 0.5, 0, p.width() - 1.001);
        double y = Math.clamp(q.y() - 0.5, 0, p.height() - 1.001);
        int x0 = (int) x;
        int y0 = (int) y;
        double fx = x - x0;
        double fy = y - y0;
        return (1 - fy) * ((1 - fx) * p.at(x0, y0) + fx * p.at(x0 + 1, y0)) + fy * ((1 - fx) * p.at(x0, y0 + 1) + fx * p.at(x0 + 1, y0 + 1));
    }
}
