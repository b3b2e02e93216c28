package org.scenothesis.core.stage;

import org.scenothesis.core.Check;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Given;

/// The camera of a stage.
///
/// - `widthShareFocal`: focal length as a share of the picture's width.
/// - `principal`: where the lens looks through the picture, in shares of width and height; the middle unless the picture was cropped.
public record StageCamera(Given<Vec> position, Given<Aim> aim, Given<Double> widthShareFocal, Given<Point> principal) {
    /// Focal lengths a picture can have, as shares of its width.
    public static final double SHORTEST = 0.1;
    public static final double LONGEST = 20;
    public static final Given<Point> MIDDLE = new Given.Assumed<>(new Point(0.5, 0.5), "uncropped");

    /// Where it looks: to the right, up, and turned clockwise about that direction.
    public record Aim(double panDeg, double tiltDeg, double rollDeg) {
        public Aim {
            Check.range("tiltDeg", tiltDeg, -89, 89);
            Check.range("panDeg", panDeg, -3600, 3600);
            Check.range("rollDeg", rollDeg, -360, 360);
        }
    }

    public StageCamera {
        Check.range("widthShareFocal", widthShareFocal.value(), SHORTEST, LONGEST);
        Check.place("camera", position.value().x(), position.value().y(), position.value().z());
        Check.range("principal", principal.value().x(), -1, 2);
        Check.range("principal", principal.value().y(), -1, 2);
    }

    /// The same looking elsewhere, told as before.
    StageCamera looking(Aim other) {
        return new StageCamera(position, aim.like(other), widthShareFocal, principal);
    }

    /// In pixels of a picture.
    public CameraPose pose(int width, int height) {
        Aim a = aim.value();
        Point p = principal.value();
        return new CameraPose(
                position.value(), a.panDeg, a.tiltDeg, a.rollDeg, widthShareFocal.value() * width, width, height,
                new Point(p.x() * width, p.y() * height));
    }
}
