package org.scenothesis.core.rehearsal;

import org.scenothesis.core.Check;
import org.scenothesis.core.optics.CameraPose;

/// A simulated camera: where it stands, its aperture radius in metres (0 is a pinhole) and the distance it is focused at.
public record View(CameraPose pose, double apertureRadiusM, double focusM) {
    public View {
        Check.range("apertureRadiusM", apertureRadiusM, 0, 0.2);
        Check.positive("focusM", focusM);
    }

    /// The same lens elsewhere.
    public View with(CameraPose other) {
        return new View(other, apertureRadiusM, focusM);
    }

    /// The same view with its focus at a distance, in metres.
    public View focusedAt(double distanceM) {
        return new View(pose, apertureRadiusM, distanceM);
    }
}
