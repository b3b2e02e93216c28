package org.scenothesis.core.match;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.PlanarMap;

/// What one frame of a take says about the camera, against the reference.
///
/// - `map`: reference pixel to take pixel; `residualPx`: RMS distance from the best planar warp; `usedShare`: share of the frame that
///   agreed.
/// - `deviationPx`: how far the shift may be off, as a standard deviation: what its points leave over, by their number, and worse the fewer
///   of those looked for agree.
/// - `rowsPx`: how far the lowest row is shifted against the highest beyond what a roll does, or apart beyond a zoom: rows that were read
///   while the camera shook; `rowsOffPx`: how far that may be off.
/// - `softer`: how many times as wide as in the reference the edges of the set are; NaN where too little tells.
/// - `gains` is null when too little could be compared.
/// - `found` is false when too little of the set could be seen again; then the map is the identity and means nothing.
public record FrameLock(PlanarMap map, double rollDeg, double zoomPercent, double residualPx, double usedShare, double deviationPx,
        double rowsPx, double rowsOffPx, double softer, @Nullable Gains gains, boolean found) {
    static FrameLock lost(@Nullable Gains gains) {
        return new FrameLock(PlanarMap.identity(), 0, 0, 0, 0, 0, 0, 0, Double.NaN, gains, false);
    }
}
