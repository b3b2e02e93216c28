/// Lens and camera arithmetic: view angle, focal length in pixels, blur circle, overscan, eyeline, camera pose.
///
/// - World: X right, Y up, Z forward, metres; ground is Y = 0.
/// - Pan positive to the right, tilt positive upwards, roll positive clockwise seen from behind the camera; degrees.
@NullMarked
package org.scenothesis.core.optics;

import org.jspecify.annotations.NullMarked;
