package org.scenothesis.studio.stage;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.staged.PredictionCheck;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.LensSetting;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.draw.Reach;
import org.scenothesis.core.stage.draw.Snaps;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.stage.proof.Pane;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.stage.Rehearsing;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Worker;

/// What can be done on Stage; every intent is one undo step, what is dragged is only shown.
final class StageModel {
    private final Session session;
    private Runnable changed = () -> {};
    private @Nullable Shot of;
    private @Nullable BreakdownPlan by;
    private List<Staged> sets = List.of();
    private String group = "";
    private String plate = "";
    private String chosen = "";
    private @Nullable Stage dragged;
    private @Nullable Staged compared;
    private boolean feet;
    /// Id of a piece that was just put down, until the plan has given it the focus.
    private String fresh = "";

    StageModel(Session session) {
        this.session = session;
    }

    void whenChanged(Runnable action) {
        changed = action;
    }

    Session session() {
        return session;
    }

    HouseRules rules() {
        return session.store().now().houseRules();
    }

    /// All set-ups of the shot; made anew when it or its plan is another.
    List<Staged> sets() {
        Shot shot = session.shot();
        BreakdownPlan plan = session.planned().get().plans().get(shot.id());
        if (plan == null) {
            // Until it is made the sets of before stay.
            return of != null && of.id().equals(shot.id()) ? sets : List.of();
        }
        if (of == null || by == null || !of.equals(shot) || !by.equals(plan)) {
            of = shot;
            by = plan;
            sets = Stagings.of(shot, plan, rules());
        }
        return sets;
    }

    /// The one that is looked at; empty where nothing is broken down yet.
    Optional<Staged> now() {
        List<Staged> all = sets();
        return all.stream().filter(s -> s.group().equals(group)).findFirst()
                .or(() -> all.stream().filter(s -> s.stage().floor().pieces().stream().anyMatch(p -> p.thing() instanceof Body))
                .findFirst())
                .or(() -> all.stream().findFirst()).map(s -> dragged == null ? s : s.with(dragged));
    }

    /// What was foretold of the plate that is staged beside what was measured of its take; nothing where that was not rehearsed.
    List<PredictionCheck> filmed(Staged s) {
        BreakdownPlan plan = plan();
        PlateNeed need = s.need(plate()).orElse(null);
        Plate filmed = plan == null || need == null ? null : Breakdown.matched(session.shot(), plan).get(need.key());
        Take take = filmed == null ? null : filmed.chosen();
        return need == null || filmed == null || take == null ? List.of() : Rehearsing.compared(s, need, filmed, take, session.measured()
                .get(), session.judgement().get(), rules());
    }

    void look(String otherGroup) {
        group = otherGroup;
        plate = "";
        chosen = "";
        dragged = null;
        changed.run();
    }

    /// The plate that was chosen on the shelf, where it is filmed on one of the sets.
    void follow(String plateId) {
        BreakdownPlan plan = session.planned().get().plans().get(session.shot().id());
        if (plan == null) {
            return;
        }
        Breakdown.matched(session.shot(), plan).forEach((key, p) -> {
            if (p.id().equals(plateId)) {
                sets().stream().filter(s -> s.need(key.code()).isPresent()).findFirst().ifPresent(s -> {
                    group = s.group();
                    plate = key.code();
                });
            }
        });
    }

    void film(String key) {
        plate = key;
        dragged = null;
        changed.run();
    }

    /// Key of the plate the set is looked at for.
    String plate() {
        return now().map(s -> s.need(plate).isPresent() ? plate : s.hardest()).orElse("");
    }

    List<PlateNeed> plates() {
        return now().map(Staged::needs).orElse(List.of());
    }

    String plateName() {
        return now().flatMap(s -> s.need(plate())).map(PlanWords::name).orElse("");
    }

    Optional<SetView> view() {
        return now().map(s -> s.view(plate()));
    }

    /// The set as it is looked at: by another camera on it while that is chosen.
    Optional<Staged> looked() {
        return now().map(s -> piece().map(p -> s.with(s.stage().through(p))).orElse(s));
    }

    String chosen() {
        return chosen;
    }

    void choose(String id) {
        if (!chosen.equals(id)) {
            chosen = id;
            changed.run();
        }
    }

    /// What was just put down, once.
    String fresh() {
        String id = fresh;
        fresh = "";
        return id;
    }

    Optional<Piece> piece() {
        return now().flatMap(s -> s.stage().floor().piece(chosen));
    }

    boolean feet() {
        return feet;
    }

    void feet(boolean now) {
        feet = now;
        changed.run();
    }

    /// Shown while something is dragged; nothing is kept.
    void preview(Stage stage) {
        dragged = stage;
        changed.run();
    }

    boolean dragging() {
        return dragged != null;
    }

    /// Keeps a stage, by hand from now on.
    void accept(String what, UnaryOperator<Stage> change) {
        Optional<Staged> now = now();
        dragged = null;
        now.ifPresent(s -> {
            Stage other = Entered.<@Nullable Stage, RuntimeException>or(() -> change.apply(s.stage()), why -> {
                session.say(Words.of("stage-model.there-is-no-such-set", why));
                return null;
            });
            if (other == null) {
                changed.run();
                return;
            }
            session.change(what, shot -> Stagings.kept(shot, s.with(other)));
        });
        changed.run();
    }

    private void floor(String what, UnaryOperator<Floor> change) {
        accept(what, s -> s.withFloor(change));
    }

    /// A piece or the camera put somewhere; while it is dragged only shown.
    Stage moved(Stage stage, String id, double x, double z) {
        if (id.equals(Reach.CAMERA)) {
            StageCamera c = stage.camera();
            Vec p = c.position().value();
            return stage.withCamera(new StageCamera(Given.entered(new Vec(x, p.y(), z)), c.aim(), c.widthShareFocal(), c.principal()));
        }
        return stage.withFloor(f -> f.with(id, p -> p.put(Snaps.near(stage, p, p.at().at(x, z)))));
    }

    /// The same from the side: away, and up where it can be lifted.
    Stage lifted(Stage stage, String id, double z, double y) {
        if (id.equals(Reach.CAMERA)) {
            StageCamera c = stage.camera();
            Vec p = c.position().value();
            return stage.withCamera(new StageCamera(Given.entered(new Vec(p.x(), Math.max(0.02, y), z)), c.aim(), c.widthShareFocal(),
                    c.principal()));
        }
        return stage.withFloor(f -> f.with(id, p -> {
            Piece there = p.put(Snaps.near(stage, p, p.at().at(p.at().x(), z)));
            return switch (p.thing()) {
                case Lamp l -> there.withThing(l.withHeightM(Given.entered(Math.clamp(y, 0, 100))));
                case Body b -> there.withThing(b.withBaseM(Given.entered(Math.clamp(y - b.highM().value() / 2, -5, 30))));
                case Backdrop _, Support _, Wall _, Glass _, Flag _, Camera _ -> there;
            };
        }));
    }

    void turn(String id, double byDeg) {
        if (id.equals(Reach.CAMERA)) {
            aim(a -> new StageCamera.Aim(a.panDeg() + byDeg, a.tiltDeg(), a.rollDeg()));
        } else {
            floor("turn a piece", f -> f.with(id, p -> p.put(p.at().turned(p.at().turnDeg() + byDeg))));
        }
    }

    void aim(UnaryOperator<StageCamera.Aim> change) {
        accept(Words.of("stage-model.aim-the-camera"), s -> {
            StageCamera c = s.camera();
            return s.withCamera(new StageCamera(c.position(), Given.entered(change.apply(c.aim().value())), c.widthShareFocal(),
                    c.principal()));
        });
    }

    /// Focal length, which is an angle of view on its sensor.
    void focal(double mm) {
        accept(Words.of("stage-model.change-the-lens"), s -> {
            StageCamera c = s.camera();
            return s.withCamera(new StageCamera(c.position(), c.aim(), Given.entered(mm / s.floor().lens().sensorMm().value()),
                    c.principal()));
        });
    }

    /// Another angle of view across the picture, in degrees.
    void view(double deg) {
        accept(Words.of("stage-model.change-the-view"), s -> {
            StageCamera c = s.camera();
            return s.withCamera(new StageCamera(c.position(), c.aim(), Given.entered(0.5 / Math.tan(Math.toRadians(deg) / 2)),
                    c.principal()));
        });
    }

    /// Another sensor behind the same lens, which then sees another angle.
    void sensor(double mm) {
        accept(Words.of("stage-model.change-the-sensor"), s -> {
            StageCamera c = s.camera();
            double focal = s.floor().lens().focalMm(c.widthShareFocal().value());
            return s.withCamera(new StageCamera(c.position(), c.aim(), Given.entered(focal / mm), c.principal()))
                    .withFloor(f -> f.withLens(f.lens().withSensorMm(Given.entered(mm))));
        });
    }

    void lens(String what, UnaryOperator<LensSetting> change) {
        floor(what, f -> f.withLens(change.apply(f.lens())));
    }

    void faceCamera(String id) {
        now().ifPresent(s -> {
            Vec eye = s.stage().camera().position().value();
            floor(Words.of("stage-bench.face-the-camera"), f -> f.with(id, p -> p.put(p.at().facing(eye.x(), eye.z()))));
        });
    }

    void remove(String id) {
        chosen = "";
        floor(Words.of("stage-model.take-piece-away"), f -> f.without(id));
    }

    void rename(String id, String name) {
        if (!name.isBlank()) {
            floor("name a piece", f -> f.with(id, p -> p.withName(name.strip())));
        }
    }

    /// Something from the shelf, put before the camera, or where it was let go.
    void add(String code, @Nullable Vec at) {
        now().ifPresent(s -> {
            SetView v = s.view(plate());
            Vec aim = v.bodies().isEmpty() ? v.eye().plus(v.pose().worldToCamera()[2].times(3)) : SetView.middle(v.bodies().getFirst(), 0);
            Spot middle = new Spot(aim.x(), aim.z(), s.stage().panDeg());
            Vec spot = at != null ? at : switch (code) {
                case "cloth", "frame", "roll", "wall" -> middle.up(0).minus(middle.ahead().times(1.5));
                case "soft", "tube", "dome", "window", "sun" -> middle.up(0).plus(middle.right().times(-1.5)).plus(middle.ahead().times(1));
                case "camera" -> s.stage().camera().position().value().plus(middle.right().times(0.8));
                case "flag", "glass" -> middle.up(0).plus(middle.ahead().times(1));
                default -> middle.up(0).plus(middle.right().times(0.6));
            };
            String id = s.stage().floor().freeId(code);
            chosen = id;
            fresh = id;
            Optional<Piece> hood = code.equals("hood") && at == null ? Pane.of(v).stream().flatMap(p -> p.hung(id).stream()).findFirst()
                    : Optional.empty();
            Spot straight = new Spot(spot.x(), spot.z(), s.stage().panDeg());
            Piece put = PieceShelf.make(code, id, code.equals("camera") ? straight.facing(aim.x(), aim.z()) : straight, aim);
            floor(Words.of("stage-model.put-piece-down"), f -> f.plus(hood.orElse(put)));
        });
    }

    void reach(Reach r, double metres) {
        accept("tell a length", s -> r.told(s, metres));
    }

    /// A set before anything is told: somebody before the camera, the rest from the shelf.
    void begin() {
        Staged bare = Stagings.bare(session.shot(), rules());
        Vec eye = bare.stage().camera().position().value();
        Piece figure = PieceShelf.make("figure", "figure-1", new Spot(eye.x(), eye.z() + 3, 0), Vec.ZERO);
        session.change("begin a set", shot -> Stagings.kept(shot, bare.with(bare.stage().withFloor(f -> f.plus(figure)))));
        changed.run();
    }

    /// The set as the plan has it again.
    void asPlanned() {
        now().filter(Staged::byHand)
                .ifPresent(s -> session.change(Words.of("stage-model.stage-it-as-planned"), shot -> Stagings.planned(shot, s.group())));
        chosen = "";
        changed.run();
    }

    /// Keeps a set that was suggested, beside the one it came from; false, and nothing done, where that is another now or not looked at any
    /// more.
    boolean suggested(Staged before, Stage then) {
        boolean same = now().filter(s -> s.group().equals(before.group()) && s.stage().equals(before.stage())).isPresent();
        if (same) {
            compared = before;
            accept("a suggested set", was -> then);
        }
        changed.run();
        return same;
    }

    /// The plan the sets follow from; null before there is one.
    @Nullable BreakdownPlan plan() {
        return by;
    }

    /// Tells those who show it that something is another way.
    void tell() {
        changed.run();
    }

    /// Keeps what is looked at beside, to be compared with.
    void compare() {
        compared = compared == null ? now().orElse(null) : null;
        changed.run();
    }

    Optional<Staged> compared() {
        return Optional.ofNullable(compared).filter(c -> now().map(n -> n.group().equals(c.group())).orElse(false));
    }

    /// Asks something of the set in the background; the newest question of a lane wins.
    <T> void ask(String lane, Worker.Job<T> job, Consumer<T> then) {
        session.worker().ask("stage-" + lane, job, then, e -> session.say(String.valueOf(e.getMessage())));
    }
}
