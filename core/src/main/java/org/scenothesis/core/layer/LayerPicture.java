package org.scenothesis.core.layer;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.shot.Layer;

/// A layer with its picture at one moment, ready to be laid.
///
/// - `piece`: straight alpha for elements, opaque otherwise, of which only elements may be smaller than the base; `unlit`: for light layers, the frame
///   without that light.
/// - `mask`: coverage of the layer's outline, null for all. `gains`: what brings it to the base (1 for none).
/// - `toBase`: picture pixel to base pixel, undoing a measured camera shift; identity for none.
public record LayerPicture(Layer layer, Piece piece, @Nullable Picture unlit, @Nullable Mask mask, Gains gains, PlanarMap toBase) {
    public static LayerPicture of(Layer layer, Picture picture) {
        return of(layer, Piece.whole(picture));
    }

    public static LayerPicture of(Layer layer, Piece piece) {
        return new LayerPicture(layer, piece, null, null, Gains.UNITY, PlanarMap.identity());
    }

    public LayerPicture withGains(Gains g) {
        return new LayerPicture(layer, piece, unlit, mask, g, toBase);
    }

    Picture picture() {
        return piece.picture();
    }
}
