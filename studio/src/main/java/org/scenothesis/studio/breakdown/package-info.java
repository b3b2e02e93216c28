/// From facts to plates: beats, illusions, questions, reasons, running order.
@NullMarked
package org.scenothesis.studio.breakdown;

import org.jspecify.annotations.NullMarked;
