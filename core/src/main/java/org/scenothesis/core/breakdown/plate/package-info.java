/// What a planned plate holds, and the plates that many illusions ask for alike.
@NullMarked
package org.scenothesis.core.breakdown.plate;

import org.jspecify.annotations.NullMarked;
