/// A staged set as the simulated camera sees it: its pieces as solids, its lamps in candela and lux, its lens with aperture and focus.
@NullMarked
package org.scenothesis.core.rehearsal.staged;

import org.jspecify.annotations.NullMarked;
