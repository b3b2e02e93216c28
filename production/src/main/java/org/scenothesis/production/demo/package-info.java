/// The demo production as it is shipped, laid where it may be changed.
@NullMarked
package org.scenothesis.production.demo;

import org.jspecify.annotations.NullMarked;
