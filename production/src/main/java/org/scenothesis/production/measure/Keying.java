package org.scenothesis.production.measure;

import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.media.FileStamp;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;

/// Whole keys for survey and bench, one at a time: one is more than a dozen planes, and two at once would be more than the memory that is
/// promised. The screen of the last take is kept, so that both work with the same.
public final class Keying {
    private final Bands bands;
    private final ReentrantLock one = new ReentrantLock(true);
    private String modelOf = "";
    private @Nullable ScreenModel model;

    public Keying(Bands bands) {
        this.bands = bands;
    }

    public Bands bands() {
        return bands;
    }

    /// Something that makes a whole key.
    @FunctionalInterface
    public interface Key<T> {
        T make() throws FootageException;
    }

    /// Makes it when no other is being made.
    public <T> T alone(Key<T> key) throws FootageException {
        one.lock();
        try {
            return key.make();
        } finally {
            one.unlock();
        }
    }

    /// The screen of an open take, reduced `times` on each side.
    ///
    /// - `standing`: how its files stand; a model of files that stood otherwise is made anew.
    ///
    /// @throws FootageException if footage cannot be read, sizes differ, or no screen colour is found
    ScreenModel screen(FootageSource source, Footage take, @Nullable FootageSource screenPlate, int times, String standing)
            throws FootageException {
        String of = source + "|" + screenPlate + "|" + times + "|" + standing;
        return alone(() -> {
            ScreenModel m = model;
            if (m == null || !modelOf.equals(of)) {
                model = null;
                m = Screens.model(take, screenPlate, times, bands);
                model = m;
                modelOf = of;
            }
            return m;
        });
    }

    /// The screen of a take as it is shown, whole.
    ///
    /// @throws FootageException if footage cannot be read, is too large, sizes differ, or no screen colour is found
    public ScreenModel screen(FootageSource take, @Nullable FootageSource screenPlate) throws FootageException {
        try (Footage f = Footages.open(take)) {
            Screens.require(f);
            return screen(take, f, screenPlate, 1, standing(take, screenPlate));
        }
    }

    static String standing(FootageSource take, @Nullable FootageSource screenPlate) {
        return FileStamp.orNone(take.path()) + "|" + (screenPlate == null ? "" : FileStamp.orNone(screenPlate.path()));
    }
}
