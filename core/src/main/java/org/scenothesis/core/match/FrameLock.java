package org.scenothesis.core.match;

import org.scenothesis.core.picture.PlanarMap;

/// What one frame of a take says about the camera, against the reference.
///
/// - `map`: reference pixel to take pixel; `residualPx`: RMS distance from the best planar warp; `usedShare`: share of the frame that agreed.
/// - `found` is false when too little of the set could be seen again; then the map is the identity.
public record FrameLock(PlanarMap map, double rollDeg, double zoomPercent, double residualPx, double usedShare, Gains gains, boolean found) {}
