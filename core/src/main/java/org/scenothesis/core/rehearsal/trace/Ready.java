package org.scenothesis.core.rehearsal.trace;

/// A solid with all that does not depend on the ray worked out, for the tree.
abstract sealed class Ready permits ReadyBox, ReadyCone, ReadyEllipsoid, ReadyPanel {
    final Solid solid;

    Ready(Solid solid) {
        this.solid = solid;
    }

    /// Updates the ray if it meets this solid nearer than `ray.far`.
    abstract void hit(Ray ray);
}
