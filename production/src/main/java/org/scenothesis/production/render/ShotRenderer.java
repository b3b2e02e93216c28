package org.scenothesis.production.render;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.layer.Composer;
import org.scenothesis.core.layer.LayerPicture;
import org.scenothesis.core.layer.Mask;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.Footages;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Remembered;
import org.scenothesis.production.measure.Screens;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;

/// Makes finished frames of a shot. Holds its footage open; not for several threads at once.
public final class ShotRenderer implements AutoCloseable {
    /// Shifts below this are noise of the measurement and are not warped away.
    private static final double LEAST_SHIFT_PX = 0.2;

    private final ProductionFolder folder;
    private final Measured measured;
    private final Bands bands;
    private final Map<Path, Footage> open = new HashMap<>();
    private final Map<Path, Held> held = new HashMap<>();
    private final Map<String, ScreenModel> screens = new HashMap<>();
    private final Map<Outline, Mask> masks = new HashMap<>();
    private final Map<String, Cut> cuts = new HashMap<>();

    public ShotRenderer(ProductionFolder folder, Measured measured, Bands bands) {
        this.folder = folder;
        this.measured = measured;
        this.bands = bands;
    }

    /// The frame of some footage that was read last: layers share plates, and stills last for ever.
    private record Held(int index, Picture picture) {}

    /// The element that was keyed last for a layer, and of what.
    private record Cut(Picture frame, ScreenModel screen, KeySettings settings, List<Point> outline, Piece piece) {}

    private record Outline(List<Point> corners, double softnessPx) {}

    /// How many renderers can work side by side.
    int threads() {
        return bands.threads();
    }

    /// Another of the same, for one thread of its own, which knows the screens that this one knows.
    ///
    /// @throws FootageException if footage is missing or shows no screen
    ShotRenderer alone(Shot shot) throws FootageException {
        for (Layer l : layers(shot)) {
            if (l.kind() == Layer.Kind.ELEMENT) {
                screen(shot, l);
            }
        }
        var r = new ShotRenderer(folder, measured, Bands.sequential());
        r.screens.putAll(screens);
        r.masks.putAll(masks);
        return r;
    }

    /// The same as long as the finished frames are: of layers, plan, measurements and the content of all footage in them.
    ///
    /// @throws FootageException if footage is missing
    String stamp(Shot shot) throws FootageException {
        List<Path> read = new ArrayList<>();
        for (Layer l : layers(shot)) {
            read.add(footage(shot, l.plate()).info().path());
            if (l.kind() == Layer.Kind.LIGHT) {
                read.add(footage(shot, l.lightAgainst()).info().path());
            }
            Path bare = l.kind() == Layer.Kind.ELEMENT ? Surveyor.screenPlate(folder, shot, shot.plate(l.plate()).orElseThrow()) : null;
            if (bare != null) {
                read.add(bare);
            }
        }
        return Remembered.key("render", read, Arrays.asList(shot.layers(), shot.plan(), shot.seconds(), new TreeMap<>(measured.locks())));
    }

    /// Size and rate of a shot: those of its base layer's footage.
    public record Format(int width, int height, double rate, int frames) {}

    /// @throws FootageException if the shot has no base layer with footage
    public Format format(Shot shot) throws FootageException {
        Layer base = layers(shot).getFirst();
        Footage f = footage(shot, base.plate());
        double rate = rate(shot, f);
        return new Format(f.info().width(), f.info().height(), rate, Math.max(1, (int) Math.round(shot.seconds() * rate)));
    }

    private double rate(Shot shot, Footage base) throws FootageException {
        if (base.info().frames() > 1) {
            return base.info().rate().framesPerSecond();
        }
        for (Layer l : layers(shot)) {
            Footage f = footage(shot, l.plate());
            if (f.info().frames() > 1) {
                return f.info().rate().framesPerSecond();
            }
        }
        return 24;
    }

    /// The footage of the lowest layer that was filmed with sound; null if none was.
    ///
    /// @throws FootageException if footage is missing
    @Nullable Path sound(Shot shot) throws FootageException {
        for (Layer l : layers(shot)) {
            Footage f = footage(shot, l.plate());
            if (f.info().coding().audio()) {
                return f.info().path();
            }
        }
        return null;
    }

    /// The layers that are on; the first is the base.
    private List<Layer> layers(Shot shot) throws FootageException {
        List<Layer> on = shot.layers().stream().filter(Layer::on).toList();
        if (on.isEmpty() || on.getFirst().kind() != Layer.Kind.BASE) {
            throw new FootageException(folder.path(), "shot " + shot.id() + " has no base layer; put its clean plate at the bottom in Layer.");
        }
        return on;
    }

    /// The finished frame at `seconds`, scene-linear.
    ///
    /// @throws FootageException if footage is missing or cannot be read
    public Picture frame(Shot shot, double seconds) throws FootageException {
        List<LayerPicture> pictures = new ArrayList<>();
        List<Layer> on = layers(shot);
        for (Layer l : on) {
            if (l.stateAt(seconds).presence() > 0 || l == on.getFirst()) {
                pictures.add(picture(shot, l, seconds));
            }
        }
        return Composer.compose(pictures, shot.plan(), seconds, bands);
    }

    private LayerPicture picture(Shot shot, Layer l, double seconds) throws FootageException {
        Picture p = at(footage(shot, l.plate()), seconds);
        Polygon outline = Surveyor.outline(l.mask(), p.width(), p.height());
        if (l.kind() == Layer.Kind.ELEMENT) {
            return LayerPicture.of(l, element(shot, l, p, outline)).withGains(gains(shot, l));
        }
        Picture unlit = l.kind() == Layer.Kind.LIGHT ? at(footage(shot, l.lightAgainst()), seconds) : null;
        Mask mask = outline == null ? null : mask(l, outline, p);
        return new LayerPicture(l, Piece.whole(p), unlit, mask, gains(shot, l), back(shot, l, p));
    }

    /// While an element is only moved, its key stays.
    private Piece element(Shot shot, Layer l, Picture p, @Nullable Polygon outline) throws FootageException {
        ScreenModel screen = screen(shot, l);
        Cut last = cuts.get(l.id());
        if (last == null || last.frame != p || last.screen != screen || !last.settings.equals(l.key()) || !last.outline.equals(l.mask())) {
            last = new Cut(p, screen, l.key(), l.mask(), Keyer.element(p, screen, l.key(), outline, bands));
            cuts.put(l.id(), last);
        }
        return last.piece;
    }

    private Mask mask(Layer l, Polygon outline, Picture p) {
        return masks.computeIfAbsent(
                new Outline(l.mask(), l.maskSoftnessPx()), m -> Mask.of(Blur.gaussian(outline.coverage(p.width(), p.height(), bands), m.softnessPx(), bands)));
    }

    /// The screen model of an element layer, made once per take and screen-only frame.
    ///
    /// @throws FootageException if footage is missing or shows no screen
    public ScreenModel screen(Shot shot, Layer l) throws FootageException {
        Footage f = footage(shot, l.plate());
        Path bare = Surveyor.screenPlate(folder, shot, shot.plate(l.plate()).orElseThrow());
        String key = f.info().path() + "|" + bare;
        ScreenModel m = screens.get(key);
        if (m == null) {
            m = Screens.model(f, bare, bands);
            screens.put(key, m);
        }
        return m;
    }

    private Optional<LockReport> lock(Shot shot, Layer l) {
        return shot.plate(l.plate()).map(Plate::chosen).flatMap(t -> measured.lock(t.footage())).filter(LockReport::found);
    }

    private Gains gains(Shot shot, Layer l) {
        return l.matched() ? lock(shot, l).map(r -> r.gains().inverse()).orElse(Gains.UNITY) : Gains.UNITY;
    }

    /// Picture pixel to base pixel, where the lock check found a shift that a planar warp undoes.
    private PlanarMap back(Shot shot, Layer l, Picture p) {
        if (!l.matched()) {
            return PlanarMap.identity();
        }
        return lock(shot, l).filter(r -> r.largestShiftPx() > LEAST_SHIFT_PX).map(r -> {
            double w = p.width();
            double h = p.height();
            Point[] from = {new Point(0, 0), new Point(w, 0), new Point(w, h), new Point(0, h)};
            Point[] to = new Point[4];
            for (int i = 0; i < 4; i++) {
                to[i] = from[i].plus(r.corners().get(i));
            }
            return PlanarMap.fourPoints(to, from);
        }).orElse(PlanarMap.identity());
    }

    private Footage footage(Shot shot, @Nullable String plateId) throws FootageException {
        Take take = shot.plate(plateId).map(Plate::chosen).orElse(null);
        if (take == null) {
            throw new FootageException(folder.path(), "the plate " + plateId + " has no take yet; bring one in on Shoot.");
        }
        Path path = folder.footage(take);
        Footage f = open.get(path);
        if (f == null) {
            f = Footages.open(path);
            open.put(path, f);
        }
        return f;
    }

    /// The frame shown at a time; the last is held.
    private Picture at(Footage f, double seconds) throws FootageException {
        int i = f.info().frameAt(seconds);
        Held last = held.get(f.info().path());
        if (last == null || last.index != i) {
            last = new Held(i, f.frame(i).withAlpha(null));
            held.put(f.info().path(), last);
        }
        return last.picture;
    }

    @Override
    public void close() {
        open.values().forEach(Footage::close);
        open.clear();
    }
}
