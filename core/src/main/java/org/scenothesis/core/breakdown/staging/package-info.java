/// From a broken-down shot to staged sets: one for every camera of its plan, with the pieces that its facts ask for where its numbers put
/// them.
///
/// What was told stands as told, what follows from it or was assumed says so. A set that somebody staged by hand is taken as it is.
@NullMarked
package org.scenothesis.core.breakdown.staging;

import org.jspecify.annotations.NullMarked;
