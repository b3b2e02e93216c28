/// From facts to plates: beats, wonders, questions, reasons, running order.
@NullMarked
package org.scenothesis.studio.breakdown;

import org.jspecify.annotations.NullMarked;
