package org.scenothesis.production.render;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.layer.Composer;
import org.scenothesis.core.layer.Cutout;
import org.scenothesis.core.layer.LayerPicture;
import org.scenothesis.core.layer.Moment;
import org.scenothesis.core.layer.Outlines;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.LockCorrection;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.MemoryAtHand;
import org.scenothesis.media.decode.FrameLane;
import org.scenothesis.media.decode.FrameStore;
import org.scenothesis.production.measure.ContentHashes;
import org.scenothesis.production.measure.KeyInMemory;
import org.scenothesis.production.measure.Keying;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.MeasurementCache;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.ProductionJson;
import org.scenothesis.production.words.Words;

/// Makes finished frames of a shot. Holds its footage open; not for several threads at once.
public final class ShotRenderer implements AutoCloseable {
    /// Raised whenever the same would be rendered otherwise.
    private static final int VERSION = 9;
    /// Shifts below this are noise of the measurement and are not warped away.
    private static final double LEAST_SHIFT_PX = 0.2;
    private static final int MOST_SCREENS = 8;
    private static final long ROOM = 32L << 20;

    private final ProductionFolder folder;
    private final Measured measured;
    private final ContentHashes contents;
    private final Bands bands;
    private final FrameStore store;
    private final boolean ownStore;
    private final FrameLane lane;
    private final Map<String, ScreenModel> screens = new HashMap<>();
    private final Outlines outlines;
    private final Floors floors = new Floors();
    private final Map<String, Cut> cuts = new HashMap<>();
    private final Map<String, Gathered> gathered = new HashMap<>();

    /// Renders with a small store of its own.
    public ShotRenderer(ProductionFolder folder, Measured measured, ContentHashes contents, Bands bands) {
        this(folder, measured, contents, new FrameStore(ROOM, folder::refusal), true, new Outlines(), bands);
    }

    /// Renders with frames that others have read or will read.
    public ShotRenderer(ProductionFolder folder, Measured measured, ContentHashes contents, FrameStore store, Bands bands) {
        this(folder, measured, contents, store, false, new Outlines(), bands);
    }

    private ShotRenderer(ProductionFolder folder, Measured measured, ContentHashes contents, FrameStore store, boolean ownStore,
            Outlines outlines, Bands bands) {
        this.folder = folder;
        this.measured = measured;
        this.contents = contents;
        this.store = store;
        this.ownStore = ownStore;
        this.outlines = outlines;
        this.bands = bands;
        lane = store.lane();
    }

    /// The element that was keyed last for a layer, and of what.
    private record Cut(Picture frame, ScreenModel screen, KeySettings settings, List<Point> outline, Piece piece) {}

    /// @throws FootageException if footage is missing, or the layers do not fit into the memory at hand
    public void requireMemory(Shot shot) throws FootageException {
        Format f = format(shot);
        MemoryAtHand.require(footage(shot, layers(shot).getFirst().plate()).info().path(), f.pixels(), bytesPerPixel(shot));
    }

    private int bytesPerPixel(Shot shot) throws FootageException {
        return MemoryAtHand.WHOLE + MemoryAtHand.LAYER * (layers(shot).size() - 1);
    }

    /// How many renderers can work side by side, each with pictures of its own; `most` at most.
    ///
    /// @throws FootageException if footage is missing, or the layers do not fit into the memory at hand even once
    int workers(Shot shot, int most) throws FootageException {
        requireMemory(shot);
        int n = Math.min(most, bands.threads());
        while (n > 1 && !MemoryAtHand.fits(n * format(shot).pixels(), bytesPerPixel(shot) + MemoryAtHand.KEYING)) {
            n--;
        }
        return n;
    }

    /// One of several that work side by side with a thread each, which knows the screens that this one knows.
    ///
    /// @throws FootageException if footage is missing or shows no screen
    ShotRenderer another(Shot shot) throws FootageException {
        for (Layer l : filmed(shot)) {
            if (onCloth(l) && !footage(shot, l.plate()).info().coding().alpha()) {
                screen(shot, l);
            }
        }
        var r = new ShotRenderer(folder, measured, contents, store, false, Outlines.like(outlines), Bands.sequential());
        r.screens.putAll(screens);
        return r;
    }

    ProductionFolder folder() {
        return folder;
    }

    /// The same as long as the finished frames are: of layers, plan, measurements, how footage is read, the content of all of it, and what
    /// is made of them.
    ///
    /// @throws FootageException if footage is missing
    String stamp(Shot shot, RenderJob.Target target) throws FootageException {
        List<String> read = new ArrayList<>();
        List<Object> settings = new ArrayList<>(Arrays.asList(ProductionJson.part(shot.layers()), ProductionJson.part(shot.tracks()),
                shot.stage(), shot.seconds(), shot.format(), target.format().code(), target.of().word()));
        for (Layer l : filmed(shot)) {
            Plate plate = shot.plate(l.plate()).orElseThrow();
            for (String p : l.plates()) {
                read.add(content(footage(shot, p).info().path()));
                settings.add(take(shot, p).reading());
            }
            FootageSource bare = onCloth(l) ? Surveyor.screenPlate(folder, shot, plate) : null;
            if (bare != null) {
                read.add(content(bare.path()));
                settings.add(bare.reading());
            }
            if (l.source() instanceof Source.KeptLight) {
                settings.add(plate.marks());
                settings.add(shot.plate(layers(shot).getFirst().plate()).map(Plate::marks).orElse(List.of()));
            }
            settings.add(steadied(l) || matched(l) ? lock(shot, l).map(LockReport::segments).orElse(List.of()) : List.of());
        }
        return MeasurementCache.key("render", VERSION, read, settings);
    }

    private String content(Path p) throws FootageException {
        try {
            return contents.of(p, Progress.NONE);
        } catch (IOException e) {
            throw new FootageException(p, Words.of("shot-renderer.it-cannot-be-read-check-that"), e);
        }
    }

    /// Size and rate of a shot: as told, else those of its base layer's footage.
    public record Format(int width, int height, double rate, int frames) {
        long pixels() {
            return (long) width * height;
        }
    }

    /// @throws FootageException if the shot has no base layer with footage
    public Format format(Shot shot) throws FootageException {
        Layer base = layers(shot).getFirst();
        FrameFormat told = shot.format();
        if (told != null) {
            return new Format(told.width(), told.height(), told.rate(), frames(shot, told.rate()));
        }
        Footage f = footage(shot, base.plate());
        double rate = rate(shot, f);
        return new Format(f.info().width(), f.info().height(), rate, frames(shot, rate));
    }

    private static int frames(Shot shot, double rate) {
        return Math.max(1, (int) Math.round(shot.seconds() * rate));
    }

    private double rate(Shot shot, Footage base) throws FootageException {
        if (base.info().frames() > 1) {
            return base.info().rate().framesPerSecond();
        }
        for (Layer l : filmed(shot)) {
            Footage f = footage(shot, l.plate());
            if (f.info().frames() > 1) {
                return f.info().rate().framesPerSecond();
            }
        }
        return 24;
    }

    /// The layers that are on; the lowest is the base.
    private List<Layer> layers(Shot shot) throws FootageException {
        List<Layer> on = shot.layers().stream().filter(Layer::on).toList();
        if (on.isEmpty()) {
            throw new FootageException(folder.path(), Words.of("shot-renderer.shot-has-no-layer-put-its", shot.id()));
        }
        if (on.getFirst().source() instanceof Source.Below) {
            throw new FootageException(folder.path(), Words.of("shot-renderer.the-lowest-layer-of-shot-is", shot.id()));
        }
        return on;
    }

    /// Those of them that have footage of their own.
    private List<Layer> filmed(Shot shot) throws FootageException {
        return layers(shot).stream().filter(l -> !(l.source() instanceof Source.Below)).toList();
    }

    /// The finished frame at `seconds`, scene-linear.
    ///
    /// @throws FootageException if footage is missing or cannot be read
    public Picture frame(Shot shot, double seconds) throws FootageException {
        forget(shot);
        List<LayerPicture> pictures = new ArrayList<>();
        List<Layer> on = layers(shot);
        for (Layer l : on) {
            if (l.presence(seconds) > 0 || l == on.getFirst()) {
                pictures.add(picture(shot, l, seconds));
            }
        }
        return Composer.compose(pictures, Moment.of(shot, seconds), outlines, bands);
    }

    /// One layer of the moment at `seconds` by itself.
    ///
    /// @throws FootageException if footage is missing or cannot be read, or the shot has no such layer
    public Cutout cutout(Shot shot, String layer, double seconds) throws FootageException {
        forget(shot);
        Optional<Layer> l = filmed(shot).stream().filter(x -> x.id().equals(layer)).findFirst();
        if (l.isEmpty()) {
            throw new FootageException(folder.path(), Words.of("shot-renderer.shot-has-no-layer-that-is", shot.id(), layer));
        }
        return Cutout.of(picture(shot, l.get(), seconds), Moment.of(shot, seconds), outlines, bands);
    }

    private LayerPicture picture(Shot shot, Layer l, double seconds) throws FootageException {
        if (l.source() instanceof Source.Below) {
            return LayerPicture.of(l, Picture.of(1, 1));
        }
        double at = l.time().at(seconds);
        Footage f = footage(shot, l.plate());
        int index = f.info().frameAt(at);
        boolean transparent = l.keyed() || l.step(OwnAlpha.class).isPresent();
        if (l.source() instanceof Source.KeptLight) {
            return shadow(shot, l, f, index).withToBase(back(shot, l, index, f.frame(index)));
        }
        Picture whole = l.source() instanceof Source.Lightest ? lightest(l.id(), f, index) : f.frame(index);
        Picture p = transparent ? whole : whole.withAlpha(null);
        Format canvas = format(shot);
        LayerPicture made = LayerPicture.of(l, p).fitted(canvas.width(), canvas.height()).withGains(gains(shot, l, index))
                .withToBase(back(shot, l, index, p));
        if (l.source() instanceof Source.LightGained g) {
            Footage dark = footage(shot, g.unlit());
            made = made.withUnlit(as(p, dark.frame(dark.info().frameAt(at)).withAlpha(null)));
        }
        Difference d = l.step(Difference.class).orElse(null);
        if (d != null) {
            Footage clean = footage(shot, d.plate());
            made = made.withClean(as(p, clean.frame(clean.info().frameAt(at)).withAlpha(null)));
        }
        return l.keyed() && p.a() == null ? made.withKeying(keying(l, screen(shot, l))) : made;
    }

    private static boolean onCloth(Layer l) {
        return l.keyed() || l.source() instanceof Source.KeptLight;
    }

    /// The shadow on a plate's cloth, on the floor of the base where both cameras are known by their marks, else where it was filmed.
    private LayerPicture shadow(Shot shot, Layer l, Footage f, int index) throws FootageException {
        ScreenModel screen = screen(shot, l);
        Plane kept = KeyInMemory.kept(f.frame(index).withAlpha(null), screen, screen.garbage(List.of()), bands);
        Format canvas = format(shot);
        LayerPicture made = LayerPicture.of(l, new Picture(kept, kept, kept, null)).fitted(canvas.width(), canvas.height());
        Plate base = shot.plate(layers(shot).getFirst().plate()).orElseThrow();
        Plate own = shot.plate(l.plate()).orElseThrow();
        FootageInfo on = footage(shot, base.id()).info();
        PlanarMap scale = new PlanarMap(canvas.width() / (double) on.width(), 0, 0, 0, canvas.height() / (double) on.height(), 0, 0, 0, 1);
        return floors.between(own, f.info(), base, on).map(m -> made.withFit(scale.after(m))).orElse(made);
    }

    /// What a layer has gathered of the lightest, up to a frame.
    private record Gathered(Footage of, int frame, Picture picture) {}

    /// Of every pixel the lightest up to a frame; goes on from what was gathered last, or from the beginning.
    private Picture lightest(String layer, Footage f, int index) throws FootageException {
        Gathered had = gathered.get(layer);
        Gathered begun = had != null && had.of == f && had.frame <= index ? had : new Gathered(f, 0, f.frame(0).withAlpha(null));
        Picture sum = begun.picture.copy();
        for (int i = begun.frame + 1; i <= index; i++) {
            Picture next = f.frame(i);
            bands.run(sum.height(), (from, to, band) -> {
                for (int c = 0; c < 3; c++) {
                    float[] s = sum.colours().get(c).data();
                    float[] n = next.colours().get(c).data();
                    for (int k = from * sum.width(); k < to * sum.width(); k++) {
                        s[k] = Math.max(s[k], n[k]);
                    }
                }
            });
        }
        gathered.put(layer, new Gathered(f, index, sum));
        return sum;
    }

    /// The frame without the light, of the size of the one with it.
    private Picture as(Picture lit, Picture unlit) {
        return unlit.width() == lit.width() && unlit.height() == lit.height() ? unlit
                : Resample.scale(unlit, lit.width(), lit.height(), bands);
    }

    /// While an element is only moved, its key stays.
    private LayerPicture.Keying keying(Layer l, ScreenModel screen) {
        return (frame, settings, garbage) -> {
            Cut last = cuts.get(l.id());
            if (last == null || last.frame != frame || last.screen != screen || !last.settings.equals(settings)
                    || !last.outline.equals(garbage)) {
                last = new Cut(frame, screen, settings, garbage, KeyInMemory.element(frame, screen, settings, screen.garbage(garbage),
                        bands));
                cuts.put(l.id(), last);
            }
            return last.piece;
        };
    }

    /// The screen model of a keyed layer, made once per take and screen-only frame.
    ///
    /// @throws FootageException if footage is missing or shows no screen
    public ScreenModel screen(Shot shot, Layer l) throws FootageException {
        Footage f = footage(shot, l.plate());
        FootageSource bare = Surveyor.screenPlate(folder, shot, shot.plate(l.plate()).orElseThrow());
        String key = f.info().path() + "|" + take(shot, l.plate()).reading() + "|" + bare;
        ScreenModel m = screens.get(key);
        if (m == null) {
            m = KeyInMemory.screen(f, bare, bands);
            screens.put(key, m);
        }
        return m;
    }

    private Optional<LockReport> lock(Shot shot, Layer l) {
        return shot.plate(l.plate()).flatMap(p -> Optional.ofNullable(p.chosen()).flatMap(t -> measured.lock(shot, p, t)))
                .filter(LockReport::found);
    }

    private static boolean matched(Layer l) {
        return l.step(Exposure.class).filter(Exposure::matched).isPresent();
    }

    private static boolean steadied(Layer l) {
        return l.step(LockCorrection.class).isPresent();
    }

    private Gains gains(Shot shot, Layer l, int frame) {
        Gains g = matched(l) ? lock(shot, l).map(r -> r.at(frame).gains()).orElse(null) : null;
        return g == null ? Gains.UNITY : g.inverse();
    }

    /// Picture pixel to base pixel, where the lock check found a shift that a planar warp undoes; each stretch between bumps by its own.
    private PlanarMap back(Shot shot, Layer l, int frame, Picture p) {
        if (!steadied(l)) {
            return PlanarMap.identity();
        }
        return lock(shot, l).map(r -> r.at(frame)).filter(s -> s.largestShiftPx() > LEAST_SHIFT_PX).flatMap(s -> {
            double w = p.width();
            double h = p.height();
            Point[] from = {new Point(0, 0), new Point(w, 0), new Point(w, h), new Point(0, h)};
            Point[] to = new Point[4];
            for (int i = 0; i < 4; i++) {
                to[i] = from[i].plus(s.corners().get(i));
            }
            return PlanarMap.fourPoints(to, from);
        }).orElse(PlanarMap.identity());
    }

    private Take take(Shot shot, @Nullable String plateId) throws FootageException {
        Take take = shot.plate(plateId).map(Plate::chosen).orElse(null);
        if (take == null) {
            throw new FootageException(folder.path(), Words.of("shot-renderer.the-plate-has-no-take-yet", plateId));
        }
        return take;
    }

    private Footage footage(Shot shot, @Nullable String plateId) throws FootageException {
        return lane.footage(folder.source(take(shot, plateId)));
    }

    /// Lets go what is kept of layers and outlines that are gone, so that a long session does not grow.
    private void forget(Shot shot) {
        cuts.keySet().removeIf(id -> shot.layer(id).isEmpty());
        gathered.keySet().removeIf(id -> shot.layer(id).isEmpty());
        if (screens.size() > MOST_SCREENS) {
            screens.clear();
            cuts.clear();
        }
    }

    @Override
    public void close() {
        lane.close();
        if (ownStore) {
            store.close();
        }
        cuts.clear();
        gathered.clear();
        screens.clear();
    }
}
