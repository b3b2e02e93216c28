/// Where on the earth something is filmed: what clock counts there.
@NullMarked
package org.scenothesis.production.place;

import org.jspecify.annotations.NullMarked;
