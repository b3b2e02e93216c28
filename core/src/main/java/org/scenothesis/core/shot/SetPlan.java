package org.scenothesis.core.shot;

import org.scenothesis.core.Check;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;

/// The set in metres as far as layering needs it: the camera, the surface things stand on, and the key light.
///
/// - `widthShareFocal`: focal length as a share of the picture's width.
/// - `groundM`: height of the surface (floor, bench top) that receives shadows; `groundNearM`, `groundFarM` its extent along Z.
public record SetPlan(
        Vec camera,
        double panDeg,
        double tiltDeg,
        double rollDeg,
        double widthShareFocal,
        double groundM,
        double groundNearM,
        double groundFarM,
        Light light) {
    public SetPlan {
        Check.range("widthShareFocal", widthShareFocal, 0.1, 20);
        Check.range("tiltDeg", tiltDeg, -89, 89);
        Check.place("camera", camera.x(), camera.y(), camera.z());
        Check.place("ground", groundM, groundNearM, groundFarM);
        Check.range("panDeg", panDeg, -3600, 3600);
        Check.range("rollDeg", rollDeg, -360, 360);
        Check.that(groundFarM > groundNearM, "the ground must end behind where it begins");
    }

    /// - `azimuthDeg`: ground direction towards the light in the world, 0 along its Z axis, positive towards X, like a camera's pan; [#asSeen] tells it from the camera.
    /// - `elevationDeg` above the ground; `sizeDeg` its angular diameter; `keyToFillStops` = log2((key + fill) / fill).
    public record Light(double azimuthDeg, double elevationDeg, double sizeDeg, double keyToFillStops) {
        public Light {
            Check.range("azimuthDeg", azimuthDeg, -3600, 3600);
            Check.range("elevationDeg", elevationDeg, 1, 90);
            Check.range("sizeDeg", sizeDeg, 0, 120);
            Check.range("keyToFillStops", keyToFillStops, 0, 12);
        }

        /// Ground direction as seen from a camera that looks along `panDeg`: 0 straight ahead, negative left, in [−180, 180].
        public double asSeen(double panDeg) {
            return Math.IEEEremainder(azimuthDeg - panDeg, 360);
        }

        /// The same light from a ground direction as seen from a camera that looks along `panDeg`.
        public Light seenAt(double sideDeg, double panDeg) {
            return new Light(Math.IEEEremainder(sideDeg + panDeg, 360), elevationDeg, sizeDeg, keyToFillStops);
        }

        /// Unit direction towards the light.
        public Vec towards() {
            double a = Math.toRadians(azimuthDeg);
            double e = Math.toRadians(elevationDeg);
            return new Vec(Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e));
        }

        /// How much of the light a full shadow takes: 1 − fill / (key + fill).
        public double density() {
            return 1 - Math.pow(2, -keyToFillStops);
        }
    }

    public CameraPose pose(int width, int height) {
        return new CameraPose(camera, panDeg, tiltDeg, rollDeg, widthShareFocal * width, width, height);
    }

    public SetPlan withLight(Light other) {
        return new SetPlan(camera, panDeg, tiltDeg, rollDeg, widthShareFocal, groundM, groundNearM, groundFarM, other);
    }
}
