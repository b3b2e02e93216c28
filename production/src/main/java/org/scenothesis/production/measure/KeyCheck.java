package org.scenothesis.production.measure;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.MemoryAtHand;
import org.scenothesis.media.decode.Footages;

/// Keys a few frames of a take and measures the mattes. Pictures too large for the memory at hand are measured reduced.
public final class KeyCheck {
    private static final int SAMPLES = 6;

    private KeyCheck() {}

    /// What is keyed and how; `garbage`: the outline drawn; without corners it is the one round the cloth.
    ///
    /// - `used`: where the take is seen, for an outline or numbers that change with the shot; null where they stand still, and all of the
    ///   take is looked at.
    public record Wish(FootageSource take, @Nullable FootageSource screenPlate, KeySettings settings, Outline garbage,
            @Nullable Used used) {
        public Wish(FootageSource take, @Nullable FootageSource screenPlate, KeySettings settings, Outline garbage) {
            this(take, screenPlate, settings, garbage, null);
        }

        /// The frame of sample `k` of `count`, and the outline at that moment.
        private Moment moment(FootageInfo info, int k, int count) {
            int last = Math.max(1, count - 1);
            if (used == null) {
                int frame = (int) ((long) k * (info.frames() - 1) / last);
                return new Moment(frame, garbage.shape(info.secondsAt(frame)), settings);
            }
            double at = used.shot.seconds() * k / last;
            return new Moment(info.frameAt(used.layer.time().at(at)),
                    Tracks.shape(used.shot, garbage, at, info.width() / (double) info.height()), used.layer.key(at));
        }
    }

    /// The shot, and the layer that shows the take in it: at which moment which one, and how it is keyed then.
    public record Used(Shot shot, Layer layer) {}

    private record Moment(int frame, List<Point> garbage, KeySettings settings) {
        /// As the settings are in a picture reduced so many times.
        KeySettings reduced(int times) {
            return settings.withChokePx(settings.chokePx() / times).withSoftnessPx(settings.softnessPx() / times);
        }
    }

    /// @throws FootageException if footage cannot be read or shows no screen
    /// @throws Stopped if progress asks for it
    public static KeyReport run(Wish wish, Keying keying, Progress progress) throws FootageException {
        Bands bands = keying.bands();
        try (Footage t = Footages.open(wish.take)) {
            int times = MemoryAtHand.reduction((long) t.info().width() * t.info().height(), MemoryAtHand.KEYING);
            ScreenModel model = keying.screen(wish.take, t, wish.screenPlate, times, Keying.standing(wish.take, wish.screenPlate));
            int n = t.info().frames();
            int count = Math.min(SAMPLES, n);
            boolean ofCloth = wish.garbage.at(0).size() < 3 && model.garbage(List.of()) != null;
            KeyTally tally = new KeyTally(model, times, bands);
            for (int k = 0; k < count; k++) {
                if (!progress.at(k, count)) {
                    throw new Stopped();
                }
                Moment at = wish.moment(t.info(), k, count);
                keying.alone(() -> {
                    sample(t, at, new How(model, at.reduced(times), times), tally, bands);
                    return tally;
                });
            }
            progress.at(count, count);
            return tally.report(n, ofCloth);
        }
    }

    private record How(ScreenModel model, KeySettings settings, int times) {}

    private static void sample(Footage t, Moment at, How how, KeyTally tally, Bands bands) throws FootageException {
        int frame = at.frame;
        Polygon garbage = how.model.garbage(at.garbage);
        Plane before = frame == 0 ? null : Keyer.key(picture(t, frame - 1, how.times), how.model, how.settings, garbage, bands).alpha();
        tally.add(frame, Keyer.key(picture(t, frame, how.times), how.model, how.settings, garbage, bands), before);
    }

    private static Picture picture(Footage t, int frame, int times) throws FootageException {
        return t.reduced(frame, times).withAlpha(null);
    }
}
