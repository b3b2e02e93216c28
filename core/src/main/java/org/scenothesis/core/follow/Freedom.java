package org.scenothesis.core.follow;

import org.scenothesis.core.picture.PlanarMap;

/// How a followed thing may change in the picture, as a small step about the origin with unit radius.
enum Freedom {
    /// Moves, turns and changes its size.
    SIMILARITY(4) {
        @Override
        void slopes(double x, double y, double gx, double gy, double[] out) {
            out[0] = gx;
            out[1] = gy;
            out[2] = gx * x + gy * y;
            out[3] = gy * x - gx * y;
        }

        @Override
        PlanarMap step(double[] d) {
            return new PlanarMap(1 + d[2], -d[3], d[0], d[3], 1 + d[2], d[1], 0, 0, 1);
        }
    },
    /// Is flat and may be turned away from the camera.
    PLANE(8) {
        @Override
        void slopes(double x, double y, double gx, double gy, double[] out) {
            double along = gx * x + gy * y;
            out[0] = gx;
            out[1] = gy;
            out[2] = gx * x;
            out[3] = gx * y;
            out[4] = gy * x;
            out[5] = gy * y;
            out[6] = -along * x;
            out[7] = -along * y;
        }

        @Override
        PlanarMap step(double[] d) {
            return new PlanarMap(1 + d[2], d[3], d[0], d[4], 1 + d[5], d[1], d[6], d[7], 1);
        }
    };

    private final int count;

    Freedom(int count) {
        this.count = count;
    }

    /// How many numbers a step has.
    int count() {
        return count;
    }

    /// How the brightness at (x, y) with slope (gx, gy) changes with every number of a step.
    abstract void slopes(double x, double y, double gx, double gy, double[] out);

    /// The map of a step.
    abstract PlanarMap step(double[] numbers);
}
