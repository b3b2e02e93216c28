/// Takes: bring in, watch, compare, circle, and the strike list.
@NullMarked
package org.scenothesis.studio.shoot;

import org.jspecify.annotations.NullMarked;
