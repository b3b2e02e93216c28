package org.scenothesis.core.optics;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// A pinhole camera in the world, with its focal length in pixels of a given picture size.
///
/// `principal`: the pixel the lens looks through.
public record CameraPose(Vec position, double panDeg, double tiltDeg, double rollDeg, double focalPx, int width, int height,
        Point principal) {
    /// Looking through the middle of the picture.
    public CameraPose(Vec position, double panDeg, double tiltDeg, double rollDeg, double focalPx, int width, int height) {
        this(position, panDeg, tiltDeg, rollDeg, focalPx, width, height, new Point(width / 2.0, height / 2.0));
    }

    public CameraPose {
        Check.positive("focalPx", focalPx);
        Check.range("tiltDeg", tiltDeg, -90, 90);
        Check.finite("panDeg", panDeg);
        Check.finite("rollDeg", rollDeg);
        Check.place("position", position.x(), position.y(), position.z());
        Check.that(width > 0 && height > 0, "a picture needs at least one pixel");
    }

    /// The same camera elsewhere, by metres.
    public CameraPose moved(Vec by) {
        return new CameraPose(position.plus(by), panDeg, tiltDeg, rollDeg, focalPx, width, height, principal);
    }

    /// The same camera turned, by degrees.
    public CameraPose turned(double pan, double tilt, double roll) {
        return new CameraPose(position, panDeg + pan, tiltDeg + tilt, rollDeg + roll, focalPx, width, height, principal);
    }

    /// The same camera with its focal length times a factor.
    public CameraPose zoomed(double factor) {
        return new CameraPose(position, panDeg, tiltDeg, rollDeg, focalPx * factor, width, height, principal);
    }

    /// Rows: right, down, forward of the camera in world coordinates.
    public Vec[] worldToCamera() {
        double pan = Math.toRadians(panDeg);
        double tilt = Math.toRadians(tiltDeg);
        double roll = Math.toRadians(rollDeg);
        Vec forward = new Vec(Math.sin(pan) * Math.cos(tilt), Math.sin(tilt), Math.cos(pan) * Math.cos(tilt));
        Vec right = new Vec(Math.cos(pan), 0, -Math.sin(pan));
        Vec down = new Vec(Math.sin(pan) * Math.sin(tilt), -Math.cos(tilt), Math.cos(pan) * Math.sin(tilt));
        Vec turnedRight = right.times(Math.cos(roll)).plus(down.times(Math.sin(roll)));
        Vec turnedDown = down.times(Math.cos(roll)).minus(right.times(Math.sin(roll)));
        return new Vec[] {turnedRight, turnedDown, forward};
    }

    /// Where a world point appears; meaningless behind the camera.
    public Point project(Vec p) {
        Vec[] r = worldToCamera();
        Vec d = p.minus(position);
        double z = d.dot(r[2]);
        return new Point(principal.x() + focalPx * d.dot(r[0]) / z, principal.y() + focalPx * d.dot(r[1]) / z);
    }

    /// Unit direction of the ray through a picture point.
    public Vec ray(Point p) {
        Vec[] r = worldToCamera();
        return r[0].times((p.x() - principal.x()) / focalPx)
                .plus(r[1].times((p.y() - principal.y()) / focalPx))
                .plus(r[2])
                .unit();
    }

    /// Where the ray through a picture point meets the horizontal plane at `heightM`; null when it does not.
    public @Nullable Vec onLevel(Point p, double heightM) {
        Vec d = ray(p);
        double t = (heightM - position.y()) / d.y();
        return t > 0 && Double.isFinite(t) ? position.plus(d.times(t)) : null;
    }
}
