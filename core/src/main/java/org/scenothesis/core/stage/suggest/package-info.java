/// Where cloth, lamps, camera and whoever is filmed could stand so that all limits are kept, within a room and with what there is.
@NullMarked
package org.scenothesis.core.stage.suggest;

import org.jspecify.annotations.NullMarked;
