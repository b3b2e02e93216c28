/// From a subject in front of a coloured cloth to a matte and a clean element: screen model, separation, matte, despill, measures.
///
/// - All colour is scene-linear; elements leave with straight (not premultiplied) colour.
/// - Separation: 0 is the screen itself, 1 and more is surely something else. Alpha: 0 empty, 1 solid.
@NullMarked
package org.scenothesis.core.key;

import org.jspecify.annotations.NullMarked;
