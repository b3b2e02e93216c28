package org.scenothesis.core.match;

import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// A frame reduced to what the lock check needs, several times cheaper than the whole picture.
///
/// - `luma`: code values in [0, 1], not linear; at full size, or `reduced` times smaller on each side for very large stills.
/// - `small`: scene-linear colour at a quarter of the luma's width and height, averaged.
public record AnalysisFrame(Plane luma, Picture small, int reduced) {
    /// How many times smaller than the luma the small picture is on each side.
    public static final int SHRINK = 4;

    /// A frame of full size.
    public AnalysisFrame(Plane luma, Picture small) {
        this(luma, small, 1);
    }
}
