/// From plain facts about the impossible to the plates to film, with their reasons, numbers, cautions and kit.
///
/// `fact` is what was told, `method` how things are separated, `illusion` one rule unit per kind, `plate` what is planned, `number` what
/// follows in figures, `day` the order of it all. Codes and numbers only; the words for them live where they are shown.
@NullMarked
package org.scenothesis.core.breakdown;

import org.jspecify.annotations.NullMarked;
