package org.scenothesis.core.rehearsal;

import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// One rendered frame and what is true of it.
///
/// - `light`: scene-linear radiance without noise.
/// - `coverage`: share of each pixel that belongs to a moving or owned object (owner above 0), in [0, 1].
/// - `depthM`: mean distance along the ray in metres; with the view it gives the world position of every pixel.
public record Rendered(Picture light, Plane coverage, Plane depthM, View view) {}
