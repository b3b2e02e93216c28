/// The simulated camera: a small path tracer of a set in metres that gives linear frames and their truth.
///
/// - World as in `optics`: X right, Y up, Z forward, metres. Radiance is scene-linear with BT.709 primaries.
/// - Deterministic by seed, for any number of threads.
/// - Out: pictures, coverage per object, depth, world position. Not here: encoding, files.
@NullMarked
package org.scenothesis.core.rehearsal;

import org.jspecify.annotations.NullMarked;
