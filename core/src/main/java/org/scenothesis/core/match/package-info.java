/// Measures whether two plates belong together: camera position, exposure and colour, frame by frame.
///
/// - Shift is where the reference's content went in the take, x right, y down, in take pixels.
/// - Roll of the picture content is positive clockwise on screen; gains and stops are take over reference in linear light.
/// - Only the static part of the frame counts; what moves or changes in the set is left out by robust fits.
@NullMarked
package org.scenothesis.core.match;

import org.jspecify.annotations.NullMarked;
