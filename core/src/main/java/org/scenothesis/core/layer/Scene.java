package org.scenothesis.core.layer;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.stage.Stage;

/// What all layers of one moment share: the size of the picture, the moment, and what is kept from earlier ones.
record Scene(int width, int height, Moment moment, Outlines outlines, Bands bands) {
    @Nullable Stage stage() {
        return moment.stage();
    }

    double seconds() {
        return moment.seconds();
    }

    /// How a picture moves with what it hangs on.
    PlanarMap motion(TrackBinding by) {
        return moment.motions().of(by, width, height);
    }

    Box frame() {
        return new Box(0, 0, width, height);
    }
}
