/// Whether footage is fit to be a background: how its camera moves, and what moves in it by itself.
@NullMarked
package org.scenothesis.core.background;

import org.jspecify.annotations.NullMarked;
