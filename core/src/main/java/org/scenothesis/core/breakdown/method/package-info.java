/// How things are separated: the ways, what they cost now and later, and which cloth. Prices rest on the house's estimates.
@NullMarked
package org.scenothesis.core.breakdown.method;

import org.jspecify.annotations.NullMarked;
