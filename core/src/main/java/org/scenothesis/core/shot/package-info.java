/// The document: a production with its shots, illusions, beats, plates, takes and layers. Immutable plain data.
///
/// - Every change is a new value; `production` keeps, saves and undoes them.
/// - Places in a picture are shares of its width and height, so that they survive another resolution; places on the set are metres.
@NullMarked
package org.scenothesis.core.shot;

import org.jspecify.annotations.NullMarked;
