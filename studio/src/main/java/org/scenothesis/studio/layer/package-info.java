/// The finished picture, the set plan, and an element's place, time and shadow.
@NullMarked
package org.scenothesis.studio.layer;

import org.jspecify.annotations.NullMarked;
