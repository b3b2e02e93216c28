/// Where the elements of a shot come from that are laid over it: filmed for it, existing already, or drawn here.
@NullMarked
package org.scenothesis.core.breakdown.element;

import org.jspecify.annotations.NullMarked;
