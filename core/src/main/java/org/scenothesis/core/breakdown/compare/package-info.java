/// Plans beside one another: what an answer changes before it is given, what a plate comes from, what two plans differ in.
@NullMarked
package org.scenothesis.core.breakdown.compare;

import org.jspecify.annotations.NullMarked;
