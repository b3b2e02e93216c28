/// The things that stand on the floor of a stage: screens, bodies, supports, walls, glass, lamps, flags. Lengths in metres, light in
/// candela or lux, every number with its origin.
///
/// - A piece's place is on the floor; turned by 0° it faces a camera that looks along the world's Z axis, positive as a camera pans.
/// - Nothing here is judged; that is [org.scenothesis.core.stage.proof].
@NullMarked
package org.scenothesis.core.stage.piece;

import org.jspecify.annotations.NullMarked;
