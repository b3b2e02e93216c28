/// Result, matte and screen at once, the separation with its two cuts.
@NullMarked
package org.scenothesis.studio.key;

import org.jspecify.annotations.NullMarked;
