/// What is known of a shot's light before anyone has measured it, and the lamps, distances and warnings that follow.
@NullMarked
package org.scenothesis.core.breakdown.light;

import org.jspecify.annotations.NullMarked;
