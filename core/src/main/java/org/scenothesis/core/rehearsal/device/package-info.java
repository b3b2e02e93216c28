/// Instruments of a set behind small interfaces, and stand-ins for all of them that read a staged set.
@NullMarked
package org.scenothesis.core.rehearsal.device;

import org.jspecify.annotations.NullMarked;
