/// The order of the day: jobs, changes of the set and their minutes, the cheapest order, and the sun over it.
@NullMarked
package org.scenothesis.core.breakdown.day;

import org.jspecify.annotations.NullMarked;
