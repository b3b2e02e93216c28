/// Where the camera of a take went: points followed through it, a path and places solved from them, ground and scale from what is marked.
///
/// A camera here looks along its third axis: right, down, ahead. The world is right, up, ahead, in metres once a scale is known.
@NullMarked
package org.scenothesis.core.cameratrack;

import org.jspecify.annotations.NullMarked;
