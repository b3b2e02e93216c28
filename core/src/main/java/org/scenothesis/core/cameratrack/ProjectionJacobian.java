package org.scenothesis.core.cameratrack;

import org.scenothesis.core.optics.Vec;

/// How the picture of a place changes with the camera and with the place.
final class ProjectionJacobian {
    private ProjectionJacobian() {}

    /// With the place as the camera has it: two rows over right, down, ahead.
    static double[][] ofSeen(Stand c, Vec x) {
        double iz = 1 / x.z();
        double f = c.focal();
        return new double[][] {{f * iz, 0, -f * x.x() * iz * iz}, {0, f * iz, -f * x.y() * iz * iz}};
    }

    /// With the camera, turned about its own axes, then moved or its focal length's logarithm; into `a`.
    static void ofCamera(Stand c, Vec x, BundleAdjustment.Motion motion, double[][] a) {
        double[][] d = ofSeen(c, x);
        for (int row = 0; row < 2; row++) {
            // x turned by a little: w × x.
            a[row][0] = d[row][2] * x.y() - d[row][1] * x.z();
            a[row][1] = d[row][0] * x.z() - d[row][2] * x.x();
            a[row][2] = d[row][1] * x.x() - d[row][0] * x.y();
            for (int k = 0; motion == BundleAdjustment.Motion.TRAVEL && k < 3; k++) {
                a[row][3 + k] = -(d[row][0] * c.r()[k] + d[row][1] * c.r()[3 + k] + d[row][2] * c.r()[6 + k]);
            }
        }
        if (motion == BundleAdjustment.Motion.ZOOM) {
            a[0][3] = c.focal() * x.x() / x.z();
            a[1][3] = c.focal() * x.y() / x.z();
        }
    }

    /// With the place: along the world's axes, or of far places along two directions square to it; into `b`.
    static void ofPlace(Stand c, Vec x, Vec place, BundleAdjustment.Motion motion, double[][] b) {
        double[][] d = ofSeen(c, x);
        Vec[] along = motion == BundleAdjustment.Motion.TRAVEL ? new Vec[] {new Vec(1, 0, 0), new Vec(0, 1, 0), new Vec(0, 0, 1)}
                : BundleAdjustment.tangent(place);
        for (int k = 0; k < along.length; k++) {
            Vec t = c.turned(along[k]);
            for (int row = 0; row < 2; row++) {
                b[row][k] = d[row][0] * t.x() + d[row][1] * t.y() + d[row][2] * t.z();
            }
        }
    }
}
