package org.scenothesis.core.key;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.Resample;

/// The colour of the bare cloth at every pixel, as well as it is known.
///
/// - `colour` is scene-linear and of the take's shape; `source` says where it comes from, best first.
/// - `cloth`: outline of the cloth in pixels; null where it fills the picture. `spill`: how its light falls on the subject; null where each
///   frame is judged for itself. `across`: width of the whole picture in pixels, of which the model may be a part.
public record ScreenModel(Picture colour, ScreenHue hue, Source source, @Nullable Polygon cloth, SpillLight.@Nullable Slopes spill,
        double across) {
    /// A model of a screen whose light on the subject is not known yet.
    public ScreenModel(Picture colour, ScreenHue hue, Source source, @Nullable Polygon cloth) {
        this(colour, hue, source, cloth, null, colour.width());
    }

    /// A model without a share of the screen's own.
    public ScreenModel(Picture colour, ScreenHue hue, Source source) {
        this(colour, hue, source, null);
    }

    /// The same with what is known of the cloth's light.
    public ScreenModel withSpill(SpillLight.Slopes other) {
        return new ScreenModel(colour, hue, source, cloth, other, across);
    }

    /// The same for a picture so many pixels wide.
    ScreenModel seenAcross(double px) {
        return new ScreenModel(colour, hue, source, cloth, spill, px);
    }

    /// The same screen seen in a part of the picture, where nothing is asked of its outline.
    ScreenModel of(Picture part) {
        return new ScreenModel(part, hue, source, null, spill, across);
    }

    /// The same at another size.
    public ScreenModel scaled(int width, int height, Bands bands) {
        Polygon c = cloth;
        double kx = width / (double) colour.width();
        double ky = height / (double) colour.height();
        return new ScreenModel(
                Resample.scale(colour, width, height, bands), hue, source,
                c == null ? null : c.scaled(kx, ky), spill, across * kx);
    }

    /// The outline that counts: the one that was drawn, in shares of the picture, else one a little within the cloth if much of the picture
    /// lies beyond it; null for all of the picture.
    public @Nullable Polygon garbage(List<Point> drawn) {
        Polygon c = cloth;
        int w = colour.width();
        int h = colour.height();
        if (drawn.size() >= 3) {
            return new Polygon(drawn).scaled(w, h);
        }
        return c == null || Cloth.sidesReached(c, w, h) >= 3 ? null : Cloth.within(c, w, h);
    }

    public enum Source {
        /// The screen-only frame of the same lock.
        SCREEN_PLATE,
        /// What the take itself shows behind the subject at other times.
        TAKE,
        /// What is worn before a room that stands still, wherever it goes in the take.
        WORN,
        /// Continued smoothly around the subject of one frame.
        FRAME
    }
}
