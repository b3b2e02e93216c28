/// What code values mean: rows of a decoded frame to linear light and back, a unit per layout.
@NullMarked
package org.scenothesis.media.code;

import org.jspecify.annotations.NullMarked;
