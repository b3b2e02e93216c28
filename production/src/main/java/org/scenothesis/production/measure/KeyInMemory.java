package org.scenothesis.production.measure;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.key.StripKeyer;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.MemoryAtHand;

/// Keys with the memory at hand: whole pictures where they fit, else strips of them against a smaller model of the cloth.
public final class KeyInMemory {
    private KeyInMemory() {}

    /// The screen of a take, smaller than it where the whole cannot be keyed at once.
    ///
    /// @throws FootageException if footage cannot be read, sizes differ, or no screen colour is found
    public static ScreenModel screen(Footage take, @Nullable FootageSource screenPlate, Bands bands) throws FootageException {
        long pixels = (long) take.info().width() * take.info().height();
        int times = MemoryAtHand.fits(pixels, MemoryAtHand.KEYING) ? 1 : MemoryAtHand.reduction(pixels, MemoryAtHand.KEYING);
        return Screens.model(take, screenPlate, times, bands);
    }

    /// The element of `frame`; `counts` in pixels of the model.
    public static Piece element(Picture frame, ScreenModel model, KeySettings settings, @Nullable Polygon counts, Bands bands) {
        if (frame.sameShape(model.colour())) {
            return Keyer.element(frame, model, settings, counts, bands);
        }
        double kx = frame.width() / (double) model.colour().width();
        double ky = frame.height() / (double) model.colour().height();
        int rows = MemoryAtHand.rows(frame.width(), MemoryAtHand.KEYING) - 2 * StripKeyer.CONTEXT;
        return Piece.whole(StripKeyer.element(frame, model, settings, counts == null ? null : counts.scaled(kx, ky), rows, bands));
    }

    /// The light that the cloth keeps in the subject's shadow; found at the size of the model, since shadows are soft.
    ///
    /// - `cloth`: outside of which there is none, in pixels of the model; null where it fills the frame.
    public static Plane kept(Picture frame, ScreenModel model, @Nullable Polygon cloth, Bands bands) {
        int w = model.colour().width();
        int h = model.colour().height();
        return frame.sameShape(model.colour()) ? Keyer.kept(frame, model, cloth, bands)
                : Resample.scale(Keyer.kept(Resample.scale(frame, w, h, bands), model, cloth, bands), frame.width(), frame.height(), bands);
    }
}
