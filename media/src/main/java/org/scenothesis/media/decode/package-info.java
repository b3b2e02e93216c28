/// What code values mean: rows of a decoded frame to linear light and back, a unit per layout.
@NullMarked
package org.scenothesis.media.decode;

import org.jspecify.annotations.NullMarked;
