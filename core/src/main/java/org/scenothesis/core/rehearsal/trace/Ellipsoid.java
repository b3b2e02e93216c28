package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// An ellipsoid with axes along the world, tilted about Z by `tilt` radians; v runs from 0 (bottom) to 1 (top).
public record Ellipsoid(Vec centre, Vec radii, double tilt, Material material, int owner) implements Solid {
    @Override
    public double[] bounds() {
        double c = Math.abs(Math.cos(tilt));
        double s = Math.abs(Math.sin(tilt));
        double hx = radii.x() * c + radii.y() * s;
        double hy = radii.x() * s + radii.y() * c;
        return new double[] {
            centre.x() - hx, centre.y() - hy, centre.z() - radii.z(), centre.x() + hx, centre.y() + hy, centre.z() + radii.z()
        };
    }

    @Override
    public Ready ready() {
        return new ReadyEllipsoid(this);
    }
}
