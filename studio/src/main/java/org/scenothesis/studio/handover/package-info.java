/// Renders, and whether the findings allow them.
@NullMarked
package org.scenothesis.studio.handover;

import org.jspecify.annotations.NullMarked;
