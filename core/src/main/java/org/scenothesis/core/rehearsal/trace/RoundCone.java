package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// Two balls and the cone that joins them: limbs, rods, strands.
public record RoundCone(Vec from, Vec to, double fromRadius, double toRadius, Material material, int owner) implements Solid {
    @Override
    public double[] bounds() {
        return new double[] {
            Math.min(from.x() - fromRadius, to.x() - toRadius),
            Math.min(from.y() - fromRadius, to.y() - toRadius),
            Math.min(from.z() - fromRadius, to.z() - toRadius),
            Math.max(from.x() + fromRadius, to.x() + toRadius),
            Math.max(from.y() + fromRadius, to.y() + toRadius),
            Math.max(from.z() + fromRadius, to.z() + toRadius)
        };
    }

    @Override
    public Ready ready() {
        return new ReadyCone(this);
    }
}
