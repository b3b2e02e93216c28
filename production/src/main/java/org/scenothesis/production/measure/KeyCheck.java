package org.scenothesis.production.measure;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.Keyed;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
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

/// Keys a few frames of a take, or every one, and measures the mattes. Pictures too large for the memory at hand are measured reduced.
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

        /// At how many moments it can be looked at: at every frame of the take, or of the shot that shows it.
        private int moments(FootageInfo info) {
            return used == null ? info.frames() : Math.max(1, (int) Math.round(used.shot.seconds() * info.rate().framesPerSecond()));
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
        Moment inFrame(int other) {
            return new Moment(other, garbage, settings);
        }

        /// As the settings are in a picture reduced so many times.
        KeySettings reduced(int times) {
            return settings.withChokePx(settings.chokePx() / times).withSoftnessPx(settings.softnessPx() / times);
        }
    }

    /// Looks at some of the frames.
    ///
    /// @throws FootageException if footage cannot be read or shows no screen
    /// @throws Stopped if progress asks for it
    public static KeyReport run(Wish wish, Keying keying, Progress progress) throws FootageException {
        return run(wish, SAMPLES, keying, progress);
    }

    /// Looks at every frame.
    ///
    /// @throws FootageException if footage cannot be read or shows no screen
    /// @throws Stopped if progress asks for it
    public static KeyReport every(Wish wish, Keying keying, Progress progress) throws FootageException {
        return run(wish, Integer.MAX_VALUE, keying, progress);
    }

    private static KeyReport run(Wish wish, int most, Keying keying, Progress progress) throws FootageException {
        Bands bands = keying.bands();
        try (Footage t = Footages.open(wish.take)) {
            int times = MemoryAtHand.reduction((long) t.info().width() * t.info().height(), MemoryAtHand.KEYING);
            ScreenModel model = keying.screen(wish.take, t, wish.screenPlate, times, Keying.standing(wish.take, wish.screenPlate));
            int n = t.info().frames();
            int count = Math.min(most, wish.moments(t.info()));
            boolean ofCloth = wish.garbage.at(0).size() < 3 && model.garbage(List.of()) != null;
            Sampler sampler = new Sampler(t, model, times, new KeyTally(model, times, bands), bands);
            for (int k = 0; k < count; k++) {
                if (!progress.at(k, count)) {
                    throw new Stopped();
                }
                Moment at = wish.moment(t.info(), k, count);
                keying.alone(() -> {
                    sampler.sample(at);
                    return at;
                });
            }
            progress.at(count, count);
            return sampler.tally.report(n, ofCloth, count == wish.moments(t.info()));
        }
    }

    /// Keys the frames of one take, in order.
    private static final class Sampler {
        private final Footage take;
        private final ScreenModel model;
        private final int times;
        private final KeyTally tally;
        private final Bands bands;
        private @Nullable Moment last;
        private @Nullable Plane lastMatte;

        Sampler(Footage take, ScreenModel model, int times, KeyTally tally, Bands bands) {
            this.take = take;
            this.model = model;
            this.times = times;
            this.tally = tally;
            this.bands = bands;
        }

        void sample(Moment at) throws FootageException {
            Plane before = at.frame == 0 ? null
                    : last != null && last.equals(at.inFrame(at.frame - 1)) ? lastMatte : keyed(at.inFrame(at.frame - 1)).alpha();
            Keyed k = keyed(at);
            tally.add(at.frame, k, before);
            last = at;
            lastMatte = k.alpha();
        }

        private Keyed keyed(Moment at) throws FootageException {
            return Keyer.key(take.reduced(at.frame, times).withAlpha(null), model, at.reduced(times), model.garbage(at.garbage), bands);
        }
    }
}
