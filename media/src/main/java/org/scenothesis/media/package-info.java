/// Footage, stills and sequences in and out; the only room that sees FFmpeg.
///
/// - In: video, single stills, folders of stills; every frame comes out as scene-linear [org.scenothesis.core.picture.Picture].
/// - Range, matrix, transfer and rotation of the file are respected; what a file does not say is assumed and told in its info.
/// - Failures are [org.scenothesis.media.FootageException] with path, frame and a sentence for the user.
@NullMarked
package org.scenothesis.media;

import org.jspecify.annotations.NullMarked;
