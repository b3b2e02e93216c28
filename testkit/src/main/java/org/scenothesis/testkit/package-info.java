/// Rendered scenes with known truth, and comparisons of planes, for the tests of all rooms.
@NullMarked
package org.scenothesis.testkit;

import org.jspecify.annotations.NullMarked;
