package org.scenothesis.studio.key;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.KeyViews;
import org.scenothesis.core.key.Keyed;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.MatteAreas;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.MatteMeter;
import org.scenothesis.core.key.Neutral;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.layer.Composer;
import org.scenothesis.core.layer.LayerPicture;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Loupe;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.studio.house.Session;

/// What Key shows, computed off the interface's thread; the screen model is made once per take.
final class KeyModel {
    static final int BINS = 140;
    private static final int ALONG = 12;
    /// Squares across a checked ground.
    private static final int CHECKS = 32;
    private static final double SOLID_SOFTNESS_PX = 2;
    private static final float GREY = 0.18f;

    private final Session session;
    private @Nullable Small small;

    KeyModel(Session session) {
        this.session = session;
    }

    /// The layer that keys the chosen plate.
    static Optional<Layer> layer(Shot shot, @Nullable Plate plate) {
        return plate == null ? Optional.empty() : shot.keyOf(plate.id());
    }

    /// The layer with another garbage matte at a moment: the outline before its key, or a new one there.
    static Layer garbage(Layer l, double seconds, List<Point> corners) {
        Outline now = l.garbage();
        Outline changed = now.withCorners(seconds, corners);
        return l.withSteps(l.steps().stream().flatMap(s -> s == now ? Stream.of(changed)
                : s instanceof Key && now == Outline.NONE ? Stream.of(changed, s) : Stream.of(s)).toList());
    }

    record Room(int bigWidth, int bigHeight, int smallWidth, int smallHeight) {}

    /// What a keyed element is looked at over.
    enum Ground {
        CLEAN("clean plate"),
        GREY("grey"),
        BLACK("black"),
        WHITE("white"),
        CHECKER("checker");

        final String words;

        Ground(String words) {
            this.words = words;
        }

        Ground next() {
            return values()[(ordinal() + 1) % values().length];
        }
    }

    /// How it is looked at: over what, which part, with which outlines kept solid; before despill, and with the matte's parts named.
    record View(Ground over, Loupe part, List<Outline> solid, boolean beforeDespill, boolean parts) {
        static final View PLAIN = new View(Ground.CLEAN, Loupe.ALL, List.of(), false, false);
    }

    /// - `seconds`: of the shot; `takeSeconds`: of the take that it shows then.
    record Request(Shot shot, Plate plate, KeySettings settings, List<Point> mask, FootageSource take, double seconds, double takeSeconds,
            Room room, View view) {
        Request(Shot shot, Plate plate, KeySettings settings, List<Point> mask, FootageSource take, double seconds, double takeSeconds,
                Room room) {
            this(shot, plate, settings, mask, take, seconds, takeSeconds, room, View.PLAIN);
        }
    }

    /// The outline that an element is kept solid in.
    static Optional<Outline> solid(Layer l) {
        return l.steps().stream().filter(Outline.class::isInstance).map(Outline.class::cast).filter(o -> o.counts() == Outline.Counts.ALSO)
                .findFirst();
    }

    /// The layer kept solid within other corners at a moment; without corners no longer.
    static Layer solid(Layer l, double seconds, List<Point> corners) {
        Optional<Outline> now = solid(l);
        if (corners.size() < 3) {
            return now.isEmpty() ? l : l.without(l.steps().indexOf(now.get()));
        }
        if (now.isPresent()) {
            Outline changed = now.get().withCorners(seconds, corners);
            return l.withSteps(l.steps().stream().map(s -> s == now.get() ? changed : s).toList());
        }
        Outline fresh = Outline.of(corners, SOLID_SOFTNESS_PX).withCounts(Outline.Counts.ALSO);
        return l.withSteps(l.steps().stream().flatMap(s -> s instanceof Key ? Stream.of(s, fresh) : Stream.of(s)).toList());
    }

    /// Everything the bench shows of one frame. `counts`: pixels per bin of the separation, as roots of shares of the largest. `places`:
    /// where to
    /// look closer, troubles first, then along the edge.
    record Result(DisplayPicture over, DisplayPicture matte, DisplayPicture screen, double[] counts, MatteMeasures measures,
            List<Point> places, ScreenModel.Source source, int width, int height, @Nullable List<Point> proposed) {}

    /// What changes while a control is dragged.
    record Preview(DisplayPicture over, DisplayPicture matte) {}

    /// Frame, screen and background at the size they are shown, kept while controls are dragged over one frame.
    private record Small(String of, Picture frame, ScreenModel screen, Picture base) {}

    /// The key at the size it is shown, for dragging: answers within about a frame.
    ///
    /// @throws FootageException if footage cannot be read or shows no screen
    Preview preview(Request r) throws FootageException {
        if (!r.view.part.all() || r.view.parts) {
            Result whole = compute(r);
            return new Preview(whole.over, whole.matte);
        }
        Bands bands = session.bands();
        Small s = small(r);
        int w = s.frame.width();
        // Widths of the edge are in pixels of the footage.
        double scale = w / (double) session.frames().at(r.take, r.takeSeconds).width();
        KeySettings settings = r.settings.withChokePx(r.settings.chokePx() * scale).withSoftnessPx(r.settings.softnessPx() * scale)
                .withDespill(despill(r));
        Piece element = Keyer.element(s.frame, s.screen, settings, s.screen.garbage(r.mask), bands);
        Plane alpha = matte(element, s.frame, r.view.solid, bands);
        return new Preview(
                DisplayPicture.of(over(s.base, element, r.view.solid, bands), r.room.bigWidth, r.room.bigHeight, bands),
                DisplayPicture.grey(KeyViews.stretched(alpha), r.room.smallWidth, r.room.smallHeight, bands));
    }

    private static double despill(Request r) {
        return r.view.beforeDespill ? 0 : r.settings.despill();
    }

    private synchronized Small small(Request r) throws FootageException {
        String of = r.take + "|" + r.takeSeconds + "|" + r.seconds + "|" + r.room + "|" + Surveyor.screenPlate(session.folder(), r.shot,
                r.plate) + "|" + session.clean() + "|" + r.view.over;
        Small s = small;
        if (s == null || !s.of.equals(of)) {
            Bands bands = session.bands();
            ScreenModel full = screen(r);
            Picture frame = session.frames().at(r.take, r.takeSeconds);
            double k = Math.min(1, Math.min(r.room.bigWidth / (double) frame.width(), r.room.bigHeight / (double) frame.height()));
            int w = Math.max(8, (int) Math.round(frame.width() * k));
            int h = Math.max(8, (int) Math.round(frame.height() * k));
            s = new Small(
                    of, Resample.scale(frame, w, h, bands), full.scaled(w, h, bands),
                    Resample.scale(background(r, frame).withAlpha(null), w, h, bands));
            small = s;
        }
        return s;
    }

    private static Picture over(Picture base, Piece element, List<Outline> solid, Bands bands) {
        return Composer.compose(List.of(LayerPicture.of(Layer.of("base", "", ""), base), element(element, solid)), null, 0, bands);
    }

    private static LayerPicture element(Piece element, List<Outline> solid) {
        List<Step> steps = new ArrayList<>(List.of(new OwnAlpha()));
        steps.addAll(solid);
        return LayerPicture.of(Layer.of("element", "", "", steps.toArray(Step[]::new)), element);
    }

    /// The matte of an element in its frame, with what is kept solid of it: the element in white on black.
    private static Plane matte(Piece element, Picture frame, List<Outline> solid, Bands bands) {
        Picture p = element.picture();
        Piece white = new Piece(Picture.filled(p.width(), p.height(), 1, 1, 1).withAlpha(p.alpha()), element.at());
        return over(Picture.of(frame.width(), frame.height()), white, solid, bands).g();
    }

    /// @throws FootageException if footage cannot be read or shows no screen
    Result compute(Request r) throws FootageException {
        ScreenModel screen = screen(r);
        Picture frame = session.frames().at(r.take, r.takeSeconds);
        Picture background = background(r, frame);
        return session.keying().alone(() -> result(r, frame, screen, background));
    }

    private Result result(Request r, Picture frame, ScreenModel screen, Picture background) {
        Bands bands = session.bands();
        KeySettings settings = r.settings.withDespill(despill(r));
        Keyed keyed = Keyer.key(frame, screen, settings, screen.garbage(r.mask), bands);
        // What stays solid reaches no further than what is keyed, as in the shot.
        Piece element = r.view.solid.isEmpty() ? Piece.whole(keyed.element())
                : Keyer.element(frame, screen, settings, screen.garbage(r.mask), bands);
        Picture over = over(background, element, r.view.solid, bands);
        Plane matte = KeyViews.stretched(r.view.solid.isEmpty() ? keyed.alpha() : matte(element, frame, r.view.solid, bands));
        Loupe part = r.view.part;
        Room room = r.room;
        MatteMeasures measures = MatteMeter.measure(keyed, screen, null, bands);
        return new Result(
                DisplayPicture.of(part.of(over, room.bigWidth, room.bigHeight, bands), room.bigWidth, room.bigHeight, bands),
                r.view.parts ? DisplayPicture.of(part.of(KeyViews.areas(MatteAreas.of(keyed, screen, bands)), room.smallWidth,
                room.smallHeight, bands), room.smallWidth, room.smallHeight, bands)
                : DisplayPicture.grey(part.of(matte, room.smallWidth, room.smallHeight, bands), room.smallWidth, room.smallHeight, bands),
                DisplayPicture.of(KeyViews.evenness(screen), room.smallWidth, room.smallHeight, bands),
                KeyViews.counts(keyed.separation(), keyed.inside(), BINS), measures, Stream.concat(measures.places().stream().map(
                MatteAreas.Place::middle), KeyViews.along(keyed.alpha(), ALONG).stream()).toList(), screen.source(), frame.width(),
                frame.height(), proposed(screen, r));
    }

    /// The outline round the cloth in shares of the picture where none was drawn; null where all counts.
    private static @Nullable List<Point> proposed(ScreenModel m, Request r) {
        Polygon p = r.mask.size() < 3 ? m.garbage(List.of()) : null;
        return p == null ? null : p.corners().stream().map(q -> new Point(q.x() / m.colour().width(), q.y() / m.colour().height()))
                .toList();
    }

    /// What a neutral at a place, in shares of the picture, tells of the frame that is shown.
    ///
    /// @throws FootageException if footage cannot be read or shows no screen
    Neutral neutral(Request r, Point at) throws FootageException {
        ScreenModel screen = screen(r);
        Picture frame = session.frames().at(r.take, r.takeSeconds);
        return session.keying().alone(() -> Neutral.at(new Point(at.x() * frame.width(), at.y() * frame.height()), frame, screen,
                session.bands()));
    }

    private ScreenModel screen(Request r) throws FootageException {
        return session.keying().screen(r.take, Surveyor.screenPlate(session.folder(), r.shot, r.plate));
    }

    private Picture background(Request r, Picture frame) throws FootageException {
        FootageSource clean = session.clean();
        if (r.view.over == Ground.CHECKER) {
            return checker(frame.width(), frame.height());
        }
        if (r.view.over != Ground.CLEAN) {
            float level = r.view.over == Ground.GREY ? GREY : r.view.over == Ground.WHITE ? 1 : 0;
            return Picture.filled(frame.width(), frame.height(), level, level, level);
        }
        if (clean != null) {
            Picture p = session.frames().at(clean, r.seconds);
            if (p.sameShape(frame)) {
                return p;
            }
        }
        return Picture.filled(frame.width(), frame.height(), GREY, GREY, GREY);
    }

    private static Picture checker(int w, int h) {
        int side = Math.max(1, w / CHECKS);
        Picture out = Picture.of(w, h);
        for (int i = 0; i < w * h; i++) {
            float level = (i % w / side + i / w / side) % 2 == 0 ? GREY / 3 : 2 * GREY;
            for (Plane c : out.colours()) {
                c.data()[i] = level;
            }
        }
        return out;
    }
}
