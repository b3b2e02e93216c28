package org.scenothesis.studio.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.FirstStage;
import org.scenothesis.core.light.LightMarks;
import org.scenothesis.core.light.LightSolver;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.match.MarkKind;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.EdgeSnap;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Loupe;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.watch.WatchModel;

/// The marks of the plate on the shelf, and the camera and light that follow from them; every change of a mark is one undo step, what is
/// pulled is only shown.
final class MarksModel {
    private static final double LOUPE = 6;
    private static final double BEFORE_HORIZON = 0.4;

    private final WatchModel watch;
    private final Session session;
    private Runnable changed = () -> {};
    private @Nullable List<Evidence> pulled;
    private @Nullable List<Evidence> solvedFor;
    private @Nullable PictureCamera camera;
    private @Nullable PictureLight light;
    private @Nullable Point foot;
    private int newest = -1;
    private final Proposals proposals = new Proposals(this);
    private final LensBender bender = new LensBender(this);

    MarksModel(WatchModel watch) {
        this.watch = watch;
        session = watch.session();
    }

    void whenChanged(Runnable action) {
        changed = action;
    }

    /// Something else is to be shown.
    void show() {
        changed.run();
    }

    /// Puts a mark on top of all others; its point of that number is taken hold of.
    void putOnTop(String what, Evidence e, int point) {
        List<Evidence> now = new ArrayList<>(kept());
        now.addFirst(e);
        newest = point;
        keep(what, now);
    }

    Session session() {
        return session;
    }

    WatchModel watch() {
        return watch;
    }

    /// As they are kept, or as they are pulled now.
    List<Evidence> marks() {
        List<Evidence> now = pulled;
        return now != null ? now : kept();
    }

    List<Evidence> kept() {
        return watch.plate().map(p -> p.marks()).orElse(List.of());
    }

    /// What the file is, once it is known.
    Optional<FootageBrief> brief() {
        return watch.take().flatMap(t -> session.measured().get().brief(t)).filter(FootageBrief::usable);
    }

    /// Where the figure of 1.70 m stands that walks the ground, in shares of the picture: until it was moved, well before the horizon.
    Point foot() {
        Point put = foot;
        PictureCamera c = camera;
        if (put != null || c == null) {
            return put != null ? put : new Point(0.3, 0.92);
        }
        double horizon = c.horizonPx().map(y -> (y[0] + 0.3 * (y[1] - y[0])) / c.marks().height()).orElse(0.5);
        return new Point(0.3, horizon + BEFORE_HORIZON * (1 - Math.min(0.9, horizon)));
    }

    /// Number of the mark that was put down last, once.
    int newest() {
        int n = newest;
        newest = -1;
        return n;
    }

    Proposals proposals() {
        return proposals;
    }

    LensBender bender() {
        return bender;
    }

    Optional<PictureCamera> camera() {
        return Optional.ofNullable(camera);
    }

    Optional<PictureLight> light() {
        return Optional.ofNullable(light);
    }

    /// All points that can be pulled: of every mark in turn, and the figure's foot at the end.
    List<Point> points() {
        List<Point> out = new ArrayList<>();
        marks().forEach(e -> out.addAll(e.points()));
        out.add(foot());
        return out;
    }

    /// Which mark a point belongs to; as many as there are marks for the figure.
    int markOf(int point) {
        int n = 0;
        for (int i = 0; i < marks().size(); i++) {
            n += marks().get(i).points().size();
            if (point < n) {
                return i;
            }
        }
        return marks().size();
    }

    private List<Evidence> at(List<Point> points) {
        List<Evidence> out = new ArrayList<>();
        int n = 0;
        for (Evidence e : kept()) {
            int k = e.points().size();
            List<Point> own = points.subList(n, n + k);
            out.add(Entered.or(() -> e.at(own), why -> e));
            n += k;
        }
        if (!points.getLast().equals(foot())) {
            foot = points.getLast();
        }
        return out;
    }

    /// Shown while something is pulled: the camera and the direction of the light follow at once.
    void pull(List<Point> points) {
        pulled = at(points);
        quick();
        changed.run();
    }

    private void quick() {
        FootageBrief b = brief().orElse(null);
        List<Evidence> now = marks();
        if (b == null || now.equals(solvedFor)) {
            return;
        }
        Marks m = MarkConversion.camera(now, b.width(), b.height());
        PictureCamera before = camera;
        camera = before != null && before.marks().moved(m) ? CameraSolver.solve(m, before) : CameraSolver.solve(m);
        LightMarks shown = MarkConversion.light(now, b.width(), b.height());
        if (!shown.shadows().isEmpty() || shown.rounds().isEmpty()) {
            // How something is shaded is read once it is let go.
            light = LightSolver.direction(camera, shown);
        }
        solvedFor = now;
    }

    /// Keeps what was pulled; an edge is laid on the picture's own where there is one near, unless `alone`.
    void let(List<Point> points, boolean alone) {
        List<Evidence> before = kept();
        List<Evidence> now = at(points);
        pulled = null;
        int which = 0;
        while (which < now.size() && now.get(which).equals(before.get(which))) {
            which++;
        }
        if (which == now.size()) {
            changed.run();
            return;
        }
        if (now.get(which) instanceof Evidence.Edge e && !alone) {
            int number = which;
            String plate = watch.plate().orElseThrow().id();
            snapped(e, s -> keep("move a mark", plate, with(now, number, s)));
        } else {
            keep("move a mark", now);
        }
    }

    private static List<Evidence> with(List<Evidence> all, int i, Evidence e) {
        List<Evidence> out = new ArrayList<>(all);
        out.set(i, e);
        return out;
    }

    private void snapped(Evidence.Edge e, Consumer<Evidence.Edge> then) {
        FootageSource source = watch.take().map(session::footage).orElse(null);
        FootageBrief b = brief().orElse(null);
        if (source == null || b == null || e.from().minus(e.to()).length() < 1e-6) {
            then.accept(e);
            return;
        }
        double seconds = session.seconds().get();
        session.worker().ask("match-snap", ticket -> {
            Plane luma = Luminance.rooted(session.frames().at(source, seconds));
            Marks.Line at = MarkConversion.camera(List.of(e), luma.width(), luma.height()).lines().getFirst();
            return (Evidence.Edge) MarkConversion.edges(Marks.none(luma.width(), luma.height())
                    .withLines(List.of(EdgeSnap.snapped(luma, at)))).getFirst();
        }, then, wrong -> then.accept(e));
    }

    void keep(String what, List<Evidence> now) {
        watch.plate().ifPresent(p -> keep(what, p.id(), now));
    }

    /// Of a plate that may be another than the one on the shelf by now.
    void keep(String what, String plate, List<Evidence> now) {
        session.change(what, s -> s.withPlate(plate, x -> x.withMarks(now)));
        changed.run();
    }

    void put(MarkKind kind) {
        putOnTop("put a mark", kind == MarkKind.LENS ? lens() : kind.first(), 0);
    }

    /// As the file notes it, else a usual one.
    private Evidence lens() {
        FootageBrief b = brief().orElse(null);
        Double mm = b == null ? null : b.equivalentMm();
        return b == null || mm == null ? MarkKind.LENS.first() : HandCamera.noted(mm, (double) b.width() / b.height())
                .<Evidence>map(v -> new Evidence.Lens(v.value())).orElse(MarkKind.LENS.first());
    }

    void remove(int mark) {
        if (mark < kept().size()) {
            List<Evidence> now = new ArrayList<>(kept());
            now.remove(mark);
            keep(Words.of("marks-model.take-mark-away"), now);
        }
    }

    /// All edges of one direction.
    void removeAll(MarkKind kind) {
        keep(Words.of("marks-model.take-marks-away"), kept().stream().filter(e -> MarkKind.of(e) != kind).toList());
    }

    /// Tells something of a mark: how long it is, what it is.
    void told(int mark, Evidence to) {
        keep("tell a mark", with(kept(), mark, to));
    }

    /// Finds camera and light of what is kept, in the background; shown when they are there.
    void solve() {
        FootageBrief b = brief().orElse(null);
        List<Evidence> now = kept();
        if (pulled != null || b == null) {
            if (b == null) {
                camera = null;
                light = null;
                solvedFor = null;
            }
            return;
        }
        FootageSource source = watch.take().map(session::footage).orElse(null);
        double seconds = session.seconds().get();
        LightMarks shown = MarkConversion.light(now, b.width(), b.height());
        boolean lit = source != null && !shown.equals(LightMarks.NONE);
        Optional<Marks> other = bender.cleanMarks();
        session.worker().ask("match-solve", ticket -> {
            PictureCamera of = other.map(CameraSolver::solve).orElse(null);
            PictureCamera c = CameraSolver.solve(MarkConversion.camera(now, b.width(), b.height()));
            return new Solved(c, of, source == null || !lit ? LightSolver.direction(c, shown)
                    : LightSolver.solve(session.frames().at(source, seconds), c, shown));
        }, s -> {
            camera = s.camera;
            bender.clean(s.clean);
            light = s.light;
            solvedFor = now;
            changed.run();
        }, e -> session.say(String.valueOf(e.getMessage())));
    }

    private record Solved(PictureCamera camera, @Nullable PictureCamera clean, PictureLight light) {}

    /// Whether what is shown is of the marks as they are.
    boolean solved() {
        return camera != null && marks().equals(solvedFor);
    }

    /// The stage as it would be with this camera and light; empty where too little is known.
    Optional<Stage> stage() {
        PictureCamera c = camera;
        return c == null || c.focalPx() == null || c.tiltDeg() == null || c.rollDeg() == null ? Optional.empty()
                : Optional.of(MarkConversion.stage(session.shot().stage(), c, light));
    }

    /// Makes it the shot's stage, and says what that changes.
    void stand() {
        stage().ifPresent(to -> {
            Shot before = session.shot();
            session.change(Words.of("marks-model.stand-the-shot-on-this"),
                    s -> FirstStage.staged(s, MarkConversion.stage(s.stage(), camera().orElseThrow(), light)));
            session.say(MatchWords.stands(before, to));
        });
    }

    /// The picture round a place, enlarged.
    void loupe(Point at, int px, Consumer<DisplayPicture> then) {
        FootageSource source = watch.take().map(session::footage).orElse(null);
        if (source != null) {
            double seconds = session.seconds().get();
            Point in = new Point(Math.clamp(at.x(), 0, 1), Math.clamp(at.y(), 0, 1));
            session.worker().ask("match-loupe", ticket -> DisplayPicture.of(new Loupe(LOUPE, in)
                    .of(session.frames().at(source, seconds), px, px, session.bands()), px, px, session.bands()), then, e -> {});
        }
    }
}
