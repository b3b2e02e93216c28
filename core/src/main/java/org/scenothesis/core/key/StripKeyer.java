package org.scenothesis.core.key;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.shot.step.KeySettings;

/// Keys a picture too large to be keyed at once: strips of whole rows, each with enough above and below it for what the keyer looks at.
///
/// The model may be smaller than the picture (cloth is smooth); it is brought to size strip by strip.
public final class StripKeyer {
    /// Rows above and below a strip that are keyed with it and thrown away.
    public static final int CONTEXT = 96;

    private StripKeyer() {}

    /// The element of `frame`, of its shape, straight colour with the matte as alpha; `garbage` in pixels of the frame.
    ///
    /// - `rows`: how many rows of the frame are worked on at once, about, surroundings not counted.
    public static Picture element(Picture frame, ScreenModel model, KeySettings settings, @Nullable Polygon garbage, int rows,
            Bands bands) {
        int w = frame.width();
        int h = frame.height();
        int mh = model.colour().height();
        double times = h / (double) mh;
        int step = Math.max(1, (int) Math.round(rows / times));
        int around = (int) Math.ceil(CONTEXT / times);
        Picture out = Picture.of(w, h).withAlpha(Plane.of(w, h));
        for (int m = 0; m < mh; m += step) {
            Box small = new Box(0, m - around, model.colour().width(), m + step + around).within(Box.all(model.colour().r()));
            Box strip = new Box(0, row(small.top(), times), w, row(small.bottom(), times));
            ScreenModel here = model.of(small.cut(model.colour())).scaled(w, strip.height(), bands);
            Polygon outline = garbage == null ? null : new Polygon(garbage.corners().stream().map(p -> p.minus(new Point(0, strip.top())))
                    .toList());
            Picture e = Keyer.key(strip.cut(frame), here, settings.withDespill(0), outline, bands).element();
            take(e, strip, new Box(0, row(m, times), w, row(Math.min(mh, m + step), times)), out);
        }
        // Light reaches further than a strip: of the whole at once, or there were seams.
        Plane inside = garbage == null ? Plane.filled(w, h, 1) : garbage.coverage(w, h, bands);
        Despill.spill(out, inside, model.seenAcross(w), settings, bands);
        return out;
    }

    private static int row(int modelRow, double times) {
        return (int) Math.round(modelRow * times);
    }

    private static void take(Picture part, Box strip, Box kept, Picture out) {
        int n = kept.height() * out.width();
        int from = (kept.top() - strip.top()) * out.width();
        for (int c = 0; c < 3; c++) {
            System.arraycopy(part.colours().get(c).data(), from, out.colours().get(c).data(), kept.top() * out.width(), n);
        }
        System.arraycopy(part.alpha().data(), from, out.alpha().data(), kept.top() * out.width(), n);
    }
}
