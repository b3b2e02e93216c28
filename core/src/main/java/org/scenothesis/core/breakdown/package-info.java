/// From plain facts about the impossible to the plates to film: one rule unit per wonder, merging, method, running order, cautions.
///
/// Codes and numbers only; the words for them live where they are shown.
@NullMarked
package org.scenothesis.core.breakdown;

import org.jspecify.annotations.NullMarked;
