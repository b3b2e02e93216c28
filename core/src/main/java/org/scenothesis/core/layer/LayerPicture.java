package org.scenothesis.core.layer;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Keys;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.KeySettings;

/// A layer with all that its steps need at one moment: pictures and what was measured.
///
/// - `piece`: the picture of its source, or of what was keyed beforehand; `unlit`: where light gained is the source, the frame without that
///   light.
/// - `gains`: what brings exposure and colour to the base's (1 for none); `fit`: picture pixel to base pixel where it was filmed in another
///   size;
///   `toBase`: picture pixel to picture pixel, undoing a measured camera shift.
/// - `keying`: how a frame of it is keyed; null where there is no screen to key against.
/// - `clean`: the frame of the plate it is compared with, where it is keyed by difference; null for none.
@RecordBuilder
public record LayerPicture(Layer layer, Piece piece, @Nullable Picture unlit, Gains gains, PlanarMap fit, PlanarMap toBase,
        @Nullable Keying keying, @Nullable Picture clean) implements LayerPictureBuilder.With {
    /// Keys a frame against the screen of its take; the outline, in shares of the picture, may be empty.
    @FunctionalInterface
    public interface Keying {
        Piece key(Picture frame, KeySettings settings, List<Point> garbage);
    }

    /// A layer whose picture fills the frame and is laid as it is.
    public static LayerPicture of(Layer layer, Picture picture) {
        return of(layer, Piece.whole(picture));
    }

    /// A layer whose picture is known within a box and is laid as it is.
    public static LayerPicture of(Layer layer, Piece piece) {
        return new LayerPicture(layer, piece, null, Gains.UNITY, PlanarMap.identity(), PlanarMap.identity(), null, null);
    }

    /// Filmed in another size than a base of `width` × `height`: stretched to it.
    public LayerPicture fitted(int width, int height) {
        boolean same = picture().width() == width && picture().height() == height;
        double kx = width / (double) picture().width();
        double ky = height / (double) picture().height();
        return same ? this : withFit(new PlanarMap(kx, 0, 0, 0, ky, 0, 0, 0, 1));
    }

    Picture picture() {
        return piece.picture();
    }

    /// A black picture of the size this one is fitted to.
    Picture canvas() {
        Point far = fit.map(picture().width(), picture().height());
        return Picture.of((int) Math.round(far.x()), (int) Math.round(far.y()));
    }
}
