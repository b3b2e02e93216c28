package org.scenothesis.core.layer;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.Step;

/// Small even pictures and layers of them, laid for tests.
final class Laying {
    static final int W = 160;
    static final int H = 90;

    private Laying() {}

    static Picture grey(float v) {
        return Picture.filled(W, H, v, v, v);
    }

    static Layer layer(Step... steps) {
        return Layer.of("l", "", "p", steps);
    }

    static LayerPicture base(Picture p) {
        return LayerPicture.of(Layer.of("base", "", "c"), p);
    }

    /// Layers over an even grey, at a moment in seconds.
    static Picture over(float base, double seconds, LayerPicture... more) {
        List<LayerPicture> all = new ArrayList<>(List.of(base(grey(base))));
        all.addAll(List.of(more));
        return Composer.compose(all, null, seconds, Bands.sequential());
    }
}
