/// The only door to OpenCV: feature points and coarse tracking. Everything comes in and goes out as planes and points.
///
/// - Points follow the pixel convention of `core`: the first pixel's centre is (0.5, 0.5); OpenCV's integer centres are converted here.
/// - Planes hold code values in [0, 1].
@NullMarked
package org.scenothesis.core.vision;

import org.jspecify.annotations.NullMarked;
