package org.scenothesis.core.cameratrack;

import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// Where a camera is and how it looks: rows of its rotation (right, down, ahead) one after another in the world it is in, its place, the
/// natural logarithm of its focal length in pixels.
record Stand(double[] r, Vec at, double logFocal) {
    static final double[] STRAIGHT = {1, 0, 0, 0, 1, 0, 0, 0, 1};

    double focal() {
        return Math.exp(logFocal);
    }

    /// A place as the camera has it.
    Vec seen(Vec place) {
        return turned(place.minus(at));
    }

    /// A direction as the camera has it.
    Vec turned(Vec d) {
        return new Vec(r[0] * d.x() + r[1] * d.y() + r[2] * d.z(), r[3] * d.x() + r[4] * d.y() + r[5] * d.z(), r[6] * d.x() + r[7] * d.y()
                + r[8] * d.z());
    }

    /// A direction of the camera in the world.
    Vec back(Vec d) {
        return new Vec(r[0] * d.x() + r[3] * d.y() + r[6] * d.z(), r[1] * d.x() + r[4] * d.y() + r[7] * d.z(), r[2] * d.x() + r[5] * d.y()
                + r[8] * d.z());
    }

    /// The direction in the world of a picture point, which counts from where the lens looks; of unit length.
    Vec ray(Point p) {
        return back(new Vec(p.x() / focal(), p.y() / focal(), 1).unit());
    }

    /// How far the picture of a place is from where it was seen, in pixels; the largest number behind the camera.
    double off(Vec place, Point p, boolean far) {
        Vec v = far ? turned(place) : seen(place);
        return v.z() <= 1e-9 ? Double.MAX_VALUE : Math.hypot(focal() * v.x() / v.z() - p.x(), focal() * v.y() / v.z() - p.y());
    }

    /// The same a little turned, in radians about its own axes, moved, and with another focal length.
    Stand nudged(double wx, double wy, double wz, Vec by, double logF) {
        return new Stand(times(turn(wx, wy, wz), r), at.plus(by), logFocal + logF);
    }

    Stand withFocal(double log) {
        return new Stand(r, at, log);
    }

    /// The product of two rotations.
    static double[] times(double[] a, double[] b) {
        double[] out = new double[9];
        for (int i = 0; i < 3; i++) {
            for (int k = 0; k < 3; k++) {
                out[3 * i + k] = a[3 * i] * b[k] + a[3 * i + 1] * b[3 + k] + a[3 * i + 2] * b[6 + k];
            }
        }
        return out;
    }

    static double[] turnedBack(double[] r) {
        return new double[] {r[0], r[3], r[6], r[1], r[4], r[7], r[2], r[5], r[8]};
    }

    /// The rotation about an axis by its length in radians (Rodrigues 1840).
    static double[] turn(double x, double y, double z) {
        double a = Math.sqrt(x * x + y * y + z * z);
        double s = a < 1e-9 ? 1 : Math.sin(a) / a;
        double c = a < 1e-9 ? 0.5 : (1 - Math.cos(a)) / (a * a);
        return new double[] {
            1 - c * (y * y + z * z), c * x * y - s * z, c * x * z + s * y,
            c * x * y + s * z, 1 - c * (x * x + z * z), c * y * z - s * x,
            c * x * z - s * y, c * y * z + s * x, 1 - c * (x * x + y * y)
        };
    }
}
