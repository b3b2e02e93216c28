/// Assembling the shot: placing elements in metres, shadows from the plan's light, added light, compositing.
///
/// - Works premultiplied in scene-linear light; takes and gives straight colour at its borders.
/// - The plan's camera and light come from the document; nothing here reads footage.
@NullMarked
package org.scenothesis.core.layer;

import org.jspecify.annotations.NullMarked;
