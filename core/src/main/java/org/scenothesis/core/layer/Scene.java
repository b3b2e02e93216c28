package org.scenothesis.core.layer;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.stage.Stage;

/// What all layers of one moment share: the size of the picture, the set (null before it is staged), the moment, and what is kept from earlier ones.
record Scene(int width, int height, @Nullable Stage stage, double seconds, Outlines outlines, Bands bands) {
    Box frame() {
        return new Box(0, 0, width, height);
    }
}
