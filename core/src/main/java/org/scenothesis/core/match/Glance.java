package org.scenothesis.core.match;

import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// A frame reduced to what the lock check needs, several times cheaper than the whole picture.
///
/// - `luma`: code values in [0, 1] at full size, not linear.
/// - `small`: scene-linear colour at a quarter of the width and height, averaged.
public record Glance(Plane luma, Picture small) {
    /// How many times smaller the small picture is on each side.
    public static final int SHRINK = 4;
}
