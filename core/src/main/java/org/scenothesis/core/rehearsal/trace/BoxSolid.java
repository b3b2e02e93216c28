package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// A box turned about the vertical axis by `turn` radians; surface coordinates in metres on each face.
public record BoxSolid(Vec centre, Vec half, double turn, Material material, int owner) implements Solid {
    /// An upright box between two corners, in metres.
    public static BoxSolid between(Vec low, Vec high, Material material, int owner) {
        return new BoxSolid(low.towards(high, 0.5), high.minus(low).times(0.5), 0, material, owner);
    }

    @Override
    public double[] bounds() {
        double c = Math.abs(Math.cos(turn));
        double s = Math.abs(Math.sin(turn));
        double hx = half.x() * c + half.z() * s;
        double hz = half.x() * s + half.z() * c;
        return new double[] {
            centre.x() - hx, centre.y() - half.y(), centre.z() - hz, centre.x() + hx, centre.y() + half.y(), centre.z() + hz
        };
    }

    @Override
    public Ready ready() {
        return new ReadyBox(this);
    }
}
