package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.Border;
import org.scenothesis.core.key.Evenness;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.key.Keyed;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.MatteMeter;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Tracks;
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
    private static final int MARGIN_PX = 12;

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
            List<KeyReport.At> found = new ArrayList<>();
            Plane swept = Plane.of(model.colour().width(), model.colour().height());
            for (int k = 0; k < count; k++) {
                if (!progress.at(k, count)) {
                    throw new Stopped();
                }
                Moment at = wish.moment(t.info(), k, count);
                found.add(new KeyReport.At(at.frame,
                        whole(keying.alone(() -> sample(t, at, new How(model, at.reduced(times), times), swept, bands)), times)));
            }
            progress.at(count, count);
            double even = Evenness.stops(model.colour(), model.hue(), Morphology.dilate(swept, MARGIN_PX, bands));
            return new KeyReport(n, model.source(), Double.isNaN(even) ? null : even, worst(found), found, times, ofCloth);
        }
    }

    private record How(ScreenModel model, KeySettings settings, int times) {}

    /// The measures of one frame; where its element is goes into `swept`.
    private static MatteMeasures sample(Footage t, Moment at, How how, Plane swept, Bands bands) throws FootageException {
        int frame = at.frame;
        Polygon garbage = how.model.garbage(at.garbage);
        Plane before = frame == 0 ? null : Keyer.key(picture(t, frame - 1, how.times), how.model, how.settings, garbage, bands).alpha();
        Keyed keyed = Keyer.key(picture(t, frame, how.times), how.model, how.settings, garbage, bands);
        for (int i = 0; i < swept.data().length; i++) {
            swept.data()[i] = Math.max(swept.data()[i], keyed.alpha().data()[i]);
        }
        return MatteMeter.measure(keyed, how.model, before, bands);
    }

    private static Picture picture(Footage t, int frame, int times) throws FootageException {
        return t.reduced(frame, times).withAlpha(null);
    }

    /// Measured reduced, told in pixels of the footage.
    private static MatteMeasures whole(MatteMeasures m, int times) {
        Border b = m.room().px() < 0 ? m.room() : new Border(m.room().px() * times, m.room().side());
        return new MatteMeasures(m.greyInside(), m.greyOutside(), m.edgePx() * times, m.flicker(), m.spillLeft(), m.solid(), b);
    }

    private static MatteMeasures worst(List<KeyReport.At> found) {
        return new MatteMeasures(
                most(found, MatteMeasures::greyInside), most(found, MatteMeasures::greyOutside), most(found, MatteMeasures::edgePx),
                most(found, MatteMeasures::flicker), most(found, MatteMeasures::spillLeft), most(found, MatteMeasures::solid),
                found.stream().map(a -> a.measures().room()).filter(b -> b.px() >= 0).min(Comparator.comparingInt(Border::px))
                        .orElse(new Border(-1, Border.Side.NONE)));
    }

    private static double most(List<KeyReport.At> found, ToDoubleFunction<MatteMeasures> of) {
        return found.stream().mapToDouble(a -> of.applyAsDouble(a.measures())).max().orElse(0);
    }
}
