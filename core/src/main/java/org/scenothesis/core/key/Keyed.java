package org.scenothesis.core.key;

import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// A keyed frame.
///
/// - `element`: straight colour with the matte as its alpha, the screen's colour removed.
/// - `separation`: how far each pixel stands from the screen colour; `shade`: brightness of the cloth against the model (1 as modelled,
///   less in shadow).
/// - `inside`: coverage of the garbage matte, 1 where the picture counts.
public record Keyed(Picture element, Plane separation, Plane shade, Plane inside) {
    /// The matte: 0 screen, 1 solid; as large as the element.
    public Plane alpha() {
        return element.alpha();
    }
}
