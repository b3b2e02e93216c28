/// Turns codes and numbers of the core into the words both doors show. English lives in `words.properties` and, for planning,
/// `breakdown.properties`.
@NullMarked
package org.scenothesis.production.words;

import org.jspecify.annotations.NullMarked;
