/// The bench Stage: the set of every camera from above and from the side, what its camera will see, and whether it will key and sit.
@NullMarked
package org.scenothesis.studio.stage;

import org.jspecify.annotations.NullMarked;
