/// Planes, pictures and the kernels every other room is built from.
///
/// - A plane is one dense `float[]`, rows top to bottom; a picture is three or four planes of one shape.
/// - Values are scene-linear with BT.709 primaries unless a name says otherwise.
/// - Kernels take their threads as [org.scenothesis.core.picture.Bands] and give the same bits for any number of them.
/// - Not here: files and codecs (module `media`), features and tracking (`vision`).
@NullMarked
package org.scenothesis.core.picture;

import org.jspecify.annotations.NullMarked;
