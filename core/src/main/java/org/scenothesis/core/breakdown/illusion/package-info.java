/// One rule unit per kind of illusion: what to ask, what must be separable, which plates follow. Source: the handbook's table of illusions.
@NullMarked
package org.scenothesis.core.breakdown.illusion;

import org.jspecify.annotations.NullMarked;
