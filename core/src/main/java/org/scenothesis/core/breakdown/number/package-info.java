/// Numbers that follow from facts: size and time, crowds, stills, pixels, storage. SI units; shares of the picture in [0, 1].
@NullMarked
package org.scenothesis.core.breakdown.number;

import org.jspecify.annotations.NullMarked;
