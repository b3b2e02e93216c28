/// The light of a picture, from the shadows and the neutral things in it.
@NullMarked
package org.scenothesis.core.light;

import org.jspecify.annotations.NullMarked;
