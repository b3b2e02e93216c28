/// Footage on its way in: what it is, and which plate it is proposed for.
@NullMarked
package org.scenothesis.production.incoming;

import org.jspecify.annotations.NullMarked;
