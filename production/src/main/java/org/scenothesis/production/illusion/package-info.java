/// Ready illusions: shipped data files in the demo's world, the user's own beside them, and a search over their words.
@NullMarked
package org.scenothesis.production.illusion;

import org.jspecify.annotations.NullMarked;
