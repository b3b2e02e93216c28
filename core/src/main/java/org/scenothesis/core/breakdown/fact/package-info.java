/// The one fact model of all illusions: what can be told, what was told, what is assumed. Metres, seconds, shares in percent.
@NullMarked
package org.scenothesis.core.breakdown.fact;

import org.jspecify.annotations.NullMarked;
