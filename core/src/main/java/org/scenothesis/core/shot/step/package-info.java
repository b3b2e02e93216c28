/// What is done to a layer's picture, one record for each operation; `core.layer` has a unit for each that does it.
///
/// A step is plain data with bounds. What can change over the shot is an [org.scenothesis.core.value.Animated], with keys of its own.
@NullMarked
package org.scenothesis.core.shot.step;

import org.jspecify.annotations.NullMarked;
import org.scenothesis.core.value.Animated;
