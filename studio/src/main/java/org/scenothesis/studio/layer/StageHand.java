package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.breakdown.FirstStage;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.stage.GroundGrid;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.PointHandles;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// The set in metres, told by hand: lens height, view, the horizon pulled in the picture, one thing of known height; the ground is ruled in
/// metres meanwhile.
final class StageHand extends VBox {
    private static final double FULL_FRAME_MM = 36;
    /// A person in the middle of the picture, until somebody shows another.
    private static final Evidence.Upright PERSON = new Evidence.Upright(new Point(0.5, 0.9), new Point(0.5, 0.4), 1.7);

    private final Supplier<Shot> shot;
    private final Supplier<Optional<Given<Double>>> noted;
    private final Consumer<Shot> preview;
    private final BiConsumer<String, UnaryOperator<Shot>> accept;
    private final Consumer<String> say;
    private final Pane over;
    private final PointHandles handles;
    private final Group grid = new Group();
    private final VBox form = new VBox(6);
    private final Button again = Text.button(Words.of("stage-hand.the-view-as-the-file"), "floor-button", this::asNoted);
    private final Label words = Text.block("", "muted", "small");
    private final Button turn = Text.button("", "floor-button", this::turn);
    private final List<Row> rows = new ArrayList<>();
    private final Tape sensor;
    private double sensorMm = FULL_FRAME_MM;
    private Consumer<Boolean> turned = o -> {};
    private boolean open;

    private record Row(Tape tape, Function<HandCamera, Double> value, Function<HandCamera, Given<?>> origin) {}

    /// - `shot`: the shot that is open. `noted`: the angle of view by its file. `preview`: the shot as it would be; `accept`: what changes
    ///   once it is let go.
    StageHand(PictureView picture, Supplier<Shot> shot, Supplier<Optional<Given<Double>>> noted, Consumer<Shot> preview,
            BiConsumer<String, UnaryOperator<Shot>> accept, Consumer<String> say) {
        super(6);
        this.shot = shot;
        this.noted = noted;
        this.preview = preview;
        this.accept = accept;
        this.say = say;
        over = picture.overlay();
        grid.setMouseTransparent(true);
        grid.setManaged(false);
        over.getChildren().addFirst(grid);
        handles = new PointHandles(picture, "stage-", p -> preview.accept(FirstStage.staged(now(), pulled(p), aspect())), this::let);
        turn.setId("stage-hand");
        row("lens height", "m", 0.01, 100, 0.05, 2, Words.of("stage-hand.how-high-the-lens-stood"), HandCamera::lensHeightM, (c, v) ->
                c.withLensHeightM(Given.entered(v)).withKnown(null), c -> c.height(aspect()).orElse(c.lensHeightM().value()));
        row("view across", "\u00b0", 3, 150, 0.5, 1, Words.of("stage-hand.how-wide-the-lens-sees"), HandCamera::viewDeg, (c, v) ->
                c.withViewDeg(Given.entered(v)), c -> c.viewDeg().value());
        row("focal length", "mm", 1, 1000, 1, 1, Words.of("stage-hand.instead-of-the-view-of"), HandCamera::viewDeg, this::lens,
                c -> sensorMm / 2 / Math.tan(Math.toRadians(c.viewDeg().value() / 2)));
        sensor = new Tape(new Tape.Number("sensor width", "mm", 1, 100, 0.5, 1, Words.of("stage-hand.of-the-camera-for-equivalent")),
                v -> {}, this::sensorTold);
        sensor.field().setId("stage-sensor-width");
        sensor.say(Words.origin(new Given.Assumed<>(sensorMm, "sensor-usual")));
        sensor.show(sensorMm);
        form.getChildren().add(sensor);
        row("known height", "m", 0, 100, 0.05, 2, Words.of("stage-hand.of-something-upright-in-the"), HandCamera::lensHeightM,
                this::knownHeight, StageHand::knownM);
        again.setId("stage-as-noted");
        form.getChildren().addAll(again, words);
        getChildren().addAll(turn, form);
        over.widthProperty().addListener(o -> draw());
        over.heightProperty().addListener(o -> draw());
    }

    private void row(String name, String unit, double low, double high, double step, int decimals, String help,
            Function<HandCamera, Given<?>> origin, BiFunction<HandCamera, Double, HandCamera> with, Function<HandCamera, Double> value) {
        Tape t = new Tape(new Tape.Number(name, unit, low, high, step, decimals, help), v -> stage(with.apply(camera(), v), false, name),
                v -> stage(with.apply(camera(), v), true, name));
        t.field().setId("stage-" + name.replace(' ', '-'));
        rows.add(new Row(t, value, origin));
        form.getChildren().add(t);
    }

    private HandCamera lens(HandCamera c, double focalMm) {
        return HandCamera.viewDeg(focalMm, sensorMm).map(v -> c.withViewDeg(Given.entered(v))).orElseGet(() -> {
            say.accept(Words.of("stage-hand.lens-of-mm-before-sensor", Words.number(focalMm, 0), Words.number(sensorMm, 1)));
            return c;
        });
    }

    /// The sensor is only there to reckon with.
    private void sensorTold(double mm) {
        sensorMm = mm;
        sensor.say(Words.origin(Given.entered(mm)));
        show();
    }

    private static double knownM(HandCamera c) {
        return c.known() == null ? 0 : c.known().heightM();
    }

    private HandCamera knownHeight(HandCamera c, double v) {
        Evidence.Upright k = c.known() == null ? PERSON : c.known();
        return c.withKnown(v < 0.01 ? null : new Evidence.Upright(k.foot(), k.top(), v));
    }

    private void asNoted() {
        noted.get().ifPresent(v -> stage(camera().withViewDeg(v), true, Words.of("stage-hand.view-as-the-file-notes")));
    }

    private Shot now() {
        return shot.get();
    }

    private double aspect() {
        return over.getHeight() <= 0 ? 16 / 9.0 : over.getWidth() / over.getHeight();
    }

    private HandCamera camera() {
        Stage s = now().stage();
        return s == null ? HandCamera.FRESH.withViewDeg(noted.get().orElse(HandCamera.FRESH.viewDeg())) : HandCamera.of(s, aspect());
    }

    /// Opens what the set is told with, or closes it; a set that was not there is there then.
    void turn() {
        open = !open;
        if (open && now().layers().isEmpty()) {
            open = false;
            say.accept(Words.of("stage-hand.add-plate-first-the-set"));
        } else if (open && now().stage() == null) {
            accept.accept(Words.of("stage-hand.stage-the-set"), s -> FirstStage.staged(s, camera(), aspect()));
        }
        Answers told = Answers.of(now().setting());
        if (open && sensorMm == FULL_FRAME_MM && told.given(Fact.SENSOR_MM)) {
            // The camera was told with the shot, or is owned.
            sensor.show(told.number(Fact.SENSOR_MM));
            sensorTold(told.number(Fact.SENSOR_MM));
        }
        turned.accept(open);
        show();
        if (open) {
            Platform.runLater(handles::focus);
        }
    }

    /// Called when it is opened or closed.
    void whenTurned(Consumer<Boolean> action) {
        turned = action;
    }

    boolean isOpen() {
        return open;
    }

    private void stage(HandCamera c, boolean done, String what) {
        if (c.height(aspect()).isEmpty()) {
            say.accept(Words.of("stage-hand.the-thing-of-known-height"));
            show();
            return;
        }
        if (done) {
            accept.accept(what, s -> FirstStage.staged(s, c, aspect()));
            show();
        } else {
            preview.accept(FirstStage.staged(now(), c, aspect()));
        }
    }

    private HandCamera pulled(List<Point> p) {
        HandCamera c = camera();
        Evidence.Upright k = c.known();
        HandCamera.Horizon was = c.horizon().value();
        double slope = (p.get(1).y() - p.get(0).y()) / Math.max(0.1, p.get(1).x() - p.get(0).x());
        HandCamera.Horizon is = new HandCamera.Horizon(Math.clamp(p.get(0).y() - slope * p.get(0).x(), -10, 11),
                Math.clamp(p.get(0).y() + slope * (1 - p.get(0).x()), -10, 11));
        boolean same = Math.abs(was.left() - is.left()) < 1e-6 && Math.abs(was.right() - is.right()) < 1e-6;
        HandCamera moved = same ? c : c.withHorizon(Given.entered(is));
        HandCamera with = k == null || p.size() < 4 ? moved : moved.withKnown(new Evidence.Upright(p.get(2), p.get(3), k.heightM()));
        return with.height(aspect()).isEmpty() ? c : with;
    }

    private void let(List<Point> p) {
        HandCamera c = pulled(p);
        stage(c, true, Words.of("stage-hand.horizon-and-known-height"));
    }

    /// Shows what is so now.
    void show() {
        boolean staged = now().stage() != null;
        turn.setText(open ? Words.of("stage-hand.done-with-the-set") : staged ? Words.of("stage-hand.the-set-in-metres-by")
                : Words.of("stage-hand.stage-the-set-by-hand"));
        Text.shown(form, open);
        if (!open || !staged) {
            handles.hide();
            grid.getChildren().clear();
            return;
        }
        HandCamera c = camera();
        rows.forEach(r -> {
            r.tape.show(r.value.apply(c));
            r.tape.say(Words.origin(r.origin.apply(c)));
        });
        Text.shown(again, noted.get().isPresent() && !(c.viewDeg() instanceof Given.Measured));
        var aim = c.aim(aspect());
        words.setText(Words.of("stage-hand.tilt-roll-view-lens-height", Words.number(aim.tiltDeg() + 0.0, 1),
                Words.number(aim.rollDeg() + 0.0, 1), origin(c.horizon()), origin(c.viewDeg()), origin(c.lensHeightM())));
        draw();
    }

    private static String origin(Given<?> of) {
        return Words.origin(of).replaceFirst("\\.$", "");
    }

    private void draw() {
        Stage s = now().stage();
        if (!open || s == null) {
            return;
        }
        HandCamera c = camera();
        HandCamera.Horizon h = c.horizon().value();
        List<Point> points = new ArrayList<>(List.of(new Point(0.02, at(h, 0.02)), new Point(0.98, at(h, 0.98))));
        List<String> names = new ArrayList<>(List.of("horizon, left", "horizon, right"));
        List<List<Integer>> lines = new ArrayList<>(List.of(List.of(0, 1)));
        Evidence.Upright known = c.known();
        if (known != null) {
            points.addAll(List.of(known.foot(), known.top()));
            names.addAll(List.of(Words.of("stage-hand.foot-of-what-is-known"), "its top"));
            lines.add(List.of(2, 3));
        }
        handles.show(points, lines, names);
        grid.getChildren().setAll(GroundGrid.lines(s, aspect()).stream().map(l -> {
            Line n = new Line(l.getFirst().x() * over.getWidth(), l.getFirst().y() * over.getHeight(), l.getLast().x() * over.getWidth(),
                    l.getLast().y() * over.getHeight());
            n.getStyleClass().add("ground-line");
            return n;
        }).toList());
        grid.setClip(new Rectangle(over.getWidth(), over.getHeight()));
        grid.applyCss();
    }

    private static double at(HandCamera.Horizon h, double x) {
        return h.left() + (h.right() - h.left()) * x;
    }
}
