package org.scenothesis.core.rehearsal.trace;

/// A surface a ray can meet. `owner` is the object it belongs to (0 is the set), for coverage truth.
public sealed interface Solid permits BoxSolid, Ellipsoid, RoundCone, Panel {
    double NEAR = 1e-6;

    Material material();

    int owner();

    /// Smallest box around it: minX, minY, minZ, maxX, maxY, maxZ.
    double[] bounds();

    /// The same with all that each meeting would work out anew worked out once.
    Ready ready();

    /// Updates the ray if it meets this solid nearer than `ray.far`.
    default void hit(Ray ray) {
        ready().hit(ray);
    }
}
