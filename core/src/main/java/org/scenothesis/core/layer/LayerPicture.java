package org.scenothesis.core.layer;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.Layer;

/// A layer with its picture at one moment, ready to be laid.
///
/// - `picture`: straight alpha for elements, opaque otherwise; `unlit`: for light layers, the frame without that light.
/// - `mask`: coverage of the layer's outline, null for all. `gains`: what brings it to the base (1 for none).
/// - `toBase`: picture pixel to base pixel, undoing a measured camera shift; identity for none.
public record LayerPicture(Layer layer, Picture picture, @Nullable Picture unlit, @Nullable Plane mask, Gains gains, PlanarMap toBase) {
    public static LayerPicture of(Layer layer, Picture picture) {
        return new LayerPicture(layer, picture, null, null, Gains.UNITY, PlanarMap.identity());
    }
}
