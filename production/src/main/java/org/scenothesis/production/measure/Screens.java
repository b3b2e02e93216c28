package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.ClothSight;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.key.ScreenModels;
import org.scenothesis.core.key.SpillLight;
import org.scenothesis.core.key.TakeScreen;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.MemoryAtHand;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.words.Words;

/// Builds the best screen model footage allows: the screen-only frame, else the take over time, else one frame.
public final class Screens {
    private static final int SAMPLES = 9;
    private static final int LOOKED_AT = 2;
    private static final int SIGHT_WIDTH = 320;
    /// What the frames kept for a model may take.
    private static final long BYTES = 200_000_000;

    private Screens() {}

    /// @throws FootageException if footage cannot be read, is too large, sizes differ, or no screen colour is found
    public static ScreenModel model(Footage take, @Nullable FootageSource screenPlate, Bands bands) throws FootageException {
        require(take);
        return model(take, screenPlate, 1, bands);
    }

    static void require(Footage take) throws FootageException {
        MemoryAtHand.require(take.info().path(), (long) take.info().width() * take.info().height(), MemoryAtHand.KEYING);
    }

    /// The same for pictures reduced `times` on each side.
    ///
    /// @throws FootageException if footage cannot be read, sizes differ, or no screen colour is found
    public static ScreenModel model(Footage take, @Nullable FootageSource screenPlate, int times, Bands bands) throws FootageException {
        ScreenModel m = screenPlate == null ? ofTake(take, times, bands) : ofPlate(take, screenPlate, times, bands);
        if (m == null) {
            throw new UnsuitableException(take.info().path(),
                    Words.of("screens.no-green-or-blue-screen-is"));
        }
        return m.withSpill(spill(take, m, times, bands));
    }

    /// Judged once for the whole take, by some of its frames, so that it does not flicker.
    private static SpillLight.Slopes spill(Footage take, ScreenModel m, int times, Bands bands) throws FootageException {
        int n = take.info().frames();
        List<Picture> some = new ArrayList<>();
        for (int i = 1; i <= Math.min(n, LOOKED_AT); i++) {
            some.add(take.reduced(i * n / (LOOKED_AT + 1), times).withAlpha(null));
        }
        return Keyer.spill(some, m, bands);
    }

    private static ScreenModel ofPlate(Footage take, FootageSource plate, int times, Bands bands) throws FootageException {
        try (Footage p = Footages.open(plate)) {
            if (p.info().width() != take.info().width() || p.info().height() != take.info().height()) {
                throw new UnsuitableException(
                        plate.path(),
                        Words.of("screens.the-screen-only-frame-is-of-another-size", p.info().width(), p.info().height(),
                                take.info().width(), take.info().height()));
            }
            return ScreenModels.fromPlate(p.reduced(0, times).withAlpha(null), bands);
        }
    }

    private static Picture small(Picture p, Bands bands) {
        int w = Math.min(SIGHT_WIDTH, p.width());
        return w == p.width() ? p : Resample.scale(p, w, Math.max(2, p.height() * w / p.width()), bands);
    }

    private static @Nullable ScreenModel ofTake(Footage take, int times, Bands bands) throws FootageException {
        int n = take.info().frames();
        TakeScreen screen = new TakeScreen(bands);
        ClothSight.Foreign foreign = null;
        boolean cloth = false;
        long pixels = (long) take.info().width() * take.info().height() / ((long) times * times);
        int count = (int) Math.min(n, Math.max(1, Math.min(SAMPLES, BYTES / (6 * pixels))));
        for (int i = 0; i < count; i++) {
            Picture frame = take.reduced(count == 1 ? 0 : (int) ((long) i * (n - 1) / (count - 1)), times).withAlpha(null);
            ClothSight.Foreign now = ClothSight.foreign(small(frame, bands)).orElse(null);
            cloth |= now == null;
            foreign = now == null ? foreign : now;
            screen.add(frame);
        }
        if (!cloth && foreign != null) {
            throw new UnsuitableException(take.info().path(), Words.of("screens.foreign." + foreign));
        }
        return screen.model();
    }
}
