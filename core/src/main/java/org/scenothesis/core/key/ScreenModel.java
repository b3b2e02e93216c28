package org.scenothesis.core.key;

import org.scenothesis.core.picture.Picture;

/// The colour of the bare cloth at every pixel, as well as it is known.
///
/// `colour` is scene-linear and of the take's shape; `source` says where it comes from, best first.
public record ScreenModel(Picture colour, ScreenHue hue, Source source) {
    public enum Source {
        /// The screen-only frame of the same lock.
        SCREEN_PLATE,
        /// What the take itself shows behind the subject at other times.
        TAKE,
        /// Continued smoothly around the subject of one frame.
        FRAME
    }
}
