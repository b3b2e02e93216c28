/// All computation of Scenothesis. Knows no files, no windows and no clock of its own.
///
/// - Pixels: x right, y down, origin at the outer corner of the top-left pixel; the first pixel's centre is (0.5, 0.5).
/// - Light: scene-linear float. Lengths in metres, angles in degrees at the surface, exposure differences in stops.
@NullMarked
package org.scenothesis.core;

import org.jspecify.annotations.NullMarked;
