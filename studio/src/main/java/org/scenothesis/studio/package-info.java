/// The JavaFX application: a house with benches. Shows what the core computes; computes nothing itself.
@NullMarked
package org.scenothesis.studio;

import org.jspecify.annotations.NullMarked;
