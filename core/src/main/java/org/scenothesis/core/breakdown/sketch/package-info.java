/// Storyboard panels as plain shapes, for the window and for paper.
@NullMarked
package org.scenothesis.core.breakdown.sketch;

import org.jspecify.annotations.NullMarked;
