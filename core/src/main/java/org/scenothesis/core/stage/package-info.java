/// The set in metres as it was staged or solved: the camera, the surfaces things stand on, the key light. Later rooms add cloths, lamps,
/// figures.
///
/// - World: X to the right, Y up, Z away from the camera's usual place; metres, degrees.
/// - Every value says where it comes from ([org.scenothesis.core.value.Given]).
@NullMarked
package org.scenothesis.core.stage;

import org.jspecify.annotations.NullMarked;
