/// Light followed through a scene of solids: intersections, materials, lamps, one path at a time.
@NullMarked
package org.scenothesis.core.rehearsal.trace;

import org.jspecify.annotations.NullMarked;
