package org.scenothesis.studio.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.DataFormat;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.optics.SensorFormat;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.LensSetting;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.draw.Reach;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Dimension;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// Below the plan: the shelf of pieces, or the numbers of the piece that is chosen.
final class PieceBoard extends VBox {
    /// What a piece of the shelf is while it is dragged: its code.
    static final DataFormat PIECE = new DataFormat("scenothesis/stage-piece");
    private static final double WIDE = 198;

    private final StageModel model;
    private final Label head = Text.of("", "column-head");
    private final HBox top = new HBox(8, head);
    private final ScrollPane scroll = new ScrollPane();
    private final Node shelf;
    private String shown = "nothing";
    private final List<Runnable> values = new ArrayList<>();

    PieceBoard(StageModel model) {
        super(4);
        this.model = model;
        setId("piece-board");
        shelf = shelf();
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        top.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(top, scroll);
    }

    private Node shelf() {
        TilePane tiles = new TilePane(6, 6);
        tiles.setPrefColumns(5);
        tiles.setPrefTileWidth(84);
        tiles.setTileAlignment(Pos.CENTER_LEFT);
        for (String code : PieceShelf.CODES) {
            Button b = Text.button(PieceShelf.name(code), "floor-button", () -> model.add(code, null));
            b.setId("shelf-" + code);
            b.setMaxWidth(Double.MAX_VALUE);
            b.getStyleClass().add("shelf-piece");
            b.setOnDragDetected(e -> {
                b.startDragAndDrop(TransferMode.COPY).setContent(Map.of(PIECE, code));
                e.consume();
            });
            tiles.getChildren().add(b);
        }
        tiles.setPadding(new Insets(2, 0, 4, 0));
        return tiles;
    }

    void refresh() {
        String now = model.now().isEmpty() ? "none" : model.chosen().equals(Reach.CAMERA)
                ? Reach.CAMERA + (stage().floor().around().value() instanceof Surroundings.Room) + stage().floor().lens().sensorMm()
                .value() : model.piece().map(PieceBoard::kind).orElse("");
        if (!now.equals(shown)) {
            shown = now;
            values.clear();
            scroll.setVvalue(0);
            top.getChildren().setAll(head);
            if (now.isEmpty() || now.equals("none")) {
                head.setText(Words.of("piece-board.on-the-shelf-of-stage"));
                scroll.setContent(shelf);
                shelf.setDisable(now.equals("none"));
            } else if (model.chosen().equals(Reach.CAMERA)) {
                head.setText(Words.of("piece-board.the-camera-and-what-is"));
                scroll.setContent(camera());
            } else {
                model.piece().ifPresent(p -> scroll.setContent(piece(p)));
            }
            if (!now.isEmpty() && !now.equals("none")) {
                Button back = Text.button(Words.of("piece-board.back-to-the-shelf"), "quiet-button", () -> model.choose(""));
                back.setId("shelf-back");
                top.getChildren().add(back);
            }
        }
        values.forEach(Runnable::run);
    }

    /// What its form depends on.
    private static String kind(Piece p) {
        return p.id() + switch (p.thing()) {
            case Backdrop b -> b.kind().name() + b.dye();
            case Body b -> b.form().name();
            case Support _, Wall _, Glass _, Lamp _, Flag _, Camera _ -> "";
        };
    }

    private FlowPane flow(List<Node> all) {
        FlowPane f = new FlowPane(14, 4);
        f.getChildren().addAll(all);
        f.setPadding(new Insets(2, 8, 4, 0));
        return f;
    }

    private Tape tape(Tape.Number n, Supplier<Given<Double>> value, Consumer<Double> told) {
        Tape t = new Tape(n, v -> {}, told::accept);
        t.setPrefWidth(WIDE);
        t.field().setId("number-" + n.name().replace(' ', '-'));
        values.add(() -> {
            Given<Double> g = value.get();
            if (!t.field().isFocused()) {
                t.show(g.value() + 0.0);
            }
            t.say(Words.origin(g));
            t.field().getStyleClass().remove("assumed");
            if (g instanceof Given.Assumed) {
                t.field().getStyleClass().add("assumed");
            }
        });
        return t;
    }

    private static Tape.Number number(String name, String unit, double low, double high, double step, int decimals) {
        return new Tape.Number(name, unit, low, high, step, decimals, "");
    }

    private Stage stage() {
        return model.now().orElseThrow().stage();
    }

    private Node camera() {
        List<Node> all = new ArrayList<>();
        all.add(tape(number("focal length", "mm", StageCamera.SHORTEST * stage().floor().lens().sensorMm().value(),
                StageCamera.LONGEST * stage().floor().lens().sensorMm().value(), 1, 1), () -> stage().camera().widthShareFocal()
                .like(stage().floor().lens().focalMm(stage().camera().widthShareFocal().value())), model::focal));
        all.add(tape(number("view across", "\u00b0", 2.9, 157, 1, 1), () -> stage().camera().widthShareFocal()
                .like(Math.toDegrees(2 * Math.atan(0.5 / stage().camera().widthShareFocal().value()))), model::view));
        all.add(choice("sensor", sensors(), SensorFormat.of(stage().floor().lens().sensorMm().value()),
                f -> Words.of("sensor." + f.map(Enum::name).orElse("OTHER")), f -> f.ifPresent(s -> model.sensor(s.widthMm()))));
        all.add(tape(number("sensor width", "mm", 2, 70, 0.1, 1), () -> stage().floor().lens().sensorMm(), model::sensor));
        all.add(tape(number("aperture", "f/", 0.7, 64, 0.1, 1), () -> stage().floor().lens().fNumber(),
                v -> model.lens(Words.of("piece-board.change-the-aperture"), (LensSetting l) -> l.withFNumber(Given.entered(v)))));
        all.add(tape(number("focus", "m", 0.02, 1000, 0.05, 2), () -> stage().floor().lens().focusM(),
                v -> model.lens("focus", (LensSetting l) -> l.withFocusM(Given.entered(v)))));
        all.add(tape(number("tilt", "\u00b0", -89, 89, 0.5, 1), () -> stage().camera().aim()
                .like(stage().camera().aim().value().tiltDeg()), v -> model.aim(a -> new StageCamera.Aim(a.panDeg(), v, a.rollDeg()))));
        all.add(tape(number("pan", "\u00b0", -360, 360, 0.5, 1), () -> stage().camera().aim()
                .like(stage().camera().aim().value().panDeg()), v -> model.aim(a -> new StageCamera.Aim(v, a.tiltDeg(), a.rollDeg()))));
        all.add(tape(number(Words.of("piece-board.turned-for-the-plate"), "\u00b0", -180, 180, 0.5, 1), () -> stage().floor()
                .turn(model.plate()), v -> model.accept(Words.of("piece-board.turn-the-camera-for-plate"),
                x -> x.withFloor(f -> f.turned(model.plate(), v)))));
        all.add(tape(number("roll", "\u00b0", -45, 45, 0.1, 1), () -> stage().camera().aim()
                .like(stage().camera().aim().value().rollDeg()), v -> model.aim(a -> new StageCamera.Aim(a.panDeg(), a.tiltDeg(), v))));
        all.add(choice("around", List.of("a room", "open air"), stage().floor().around().value() instanceof Surroundings.Room ? "a room"
                : "open air", w -> w, w -> model.accept(Words.of("piece-board.change-the-place"), s -> s.withFloor(f -> f.withAround(
                Given.entered(w.equals("a room") ? Floor.BARE.around().value() : new Surroundings.Open()))))));
        if (stage().floor().around().value() instanceof Surroundings.Room) {
            all.add(wall("left wall", -100, 99, Surroundings.Room::leftM, (r, v) -> new Surroundings.Room(v, r.rightM(), r.nearM(),
                    r.farM(), r.highM(), r.reflects())));
            all.add(wall("right wall", -99, 100, Surroundings.Room::rightM, (r, v) -> new Surroundings.Room(r.leftM(), v, r.nearM(),
                    r.farM(), r.highM(), r.reflects())));
            all.add(wall("wall behind", -100, 99, Surroundings.Room::nearM, (r, v) -> new Surroundings.Room(r.leftM(), r.rightM(), v,
                    r.farM(), r.highM(), r.reflects())));
            all.add(wall("wall ahead", -99, 100, Surroundings.Room::farM, (r, v) -> new Surroundings.Room(r.leftM(), r.rightM(), r.nearM(),
                    v, r.highM(), r.reflects())));
            all.add(wall("ceiling", 0.5, 60, Surroundings.Room::highM, (r, v) -> new Surroundings.Room(r.leftM(), r.rightM(), r.nearM(),
                    r.farM(), v, r.reflects())));
            all.add(tape(number(Words.of("piece-board.walls-give-back"), "", 0, 0.95, 0.05, 2), () -> stage().floor().around()
                    .like(room().reflects()), v -> room(r -> new Surroundings.Room(r.leftM(), r.rightM(), r.nearM(), r.farM(), r.highM(),
                    v))));
        }
        all.add(readout(() -> model.view().map(StageWords::level).orElse("")));
        return flow(all);
    }

    private static List<Optional<SensorFormat>> sensors() {
        return Stream.concat(Stream.of(SensorFormat.values()).map(Optional::of), Stream.of(Optional.<SensorFormat>empty())).toList();
    }

    private Tape wall(String name, double low, double high, Function<Surroundings.Room, Double> get,
            BiFunction<Surroundings.Room, Double, Surroundings.Room> with) {
        return tape(number(name, "m", low, high, 0.1, 2), () -> stage().floor().around().like(get.apply(room())),
                v -> room(r -> with.apply(r, v)));
    }

    private Surroundings.Room room() {
        return stage().floor().around().value() instanceof Surroundings.Room r ? r : (Surroundings.Room) Floor.BARE.around().value();
    }

    private void room(Function<Surroundings.Room, Surroundings.Room> change) {
        model.accept(Words.of("piece-board.tell-the-room"), s -> s.withFloor(f -> f.withAround(Given.entered(change.apply(room())))));
    }

    /// What the instruments show, as it is now.
    private Label readout(Supplier<String> words) {
        Label l = Text.block("", "muted", "small");
        l.setId("piece-readout");
        l.setPrefWidth(2 * WIDE);
        values.add(() -> l.setText(words.get()));
        return l;
    }

    private Node piece(Piece p) {
        head.setText(StageWords.thing(p.thing()));
        String id = p.id();
        List<Node> all = new ArrayList<>();
        TextField name = new TextField(p.name());
        name.setId("piece-name");
        name.setAccessibleText(Words.of("piece-board.name-of-the-piece"));
        name.setPrefWidth(WIDE);
        name.setOnAction(e -> model.rename(id, name.getText()));
        name.focusedProperty().addListener((o, was, is) -> {
            if (was && model.piece().map(q -> q.id().equals(id) && !q.name().equals(name.getText())).orElse(false)) {
                model.rename(id, name.getText());
            }
        });
        values.add(() -> model.piece().filter(q -> !name.isFocused()).ifPresent(q -> name.setText(q.name())));
        all.add(name);
        if (p.thing() instanceof Backdrop b) {
            all.add(choice("made as", List.of(BackdropKind.values()), b.kind(), StageWords::backdrop,
                    k -> model.accept(Words.of("piece-board.change-the-screen"),
                    s -> s.withFloor(f -> f.with(id, q -> q.withThing(((Backdrop) q.thing()).withKind(k)))))));
            all.add(choice("colour", List.of(Backdrop.Dye.values()), b.dye(), d -> d.name().toLowerCase(Locale.ROOT),
                    d -> model.accept(Words.of("piece-board.change-the-screen"),
                    s -> s.withFloor(f -> f.with(id, q -> q.withThing(((Backdrop) q.thing()).withDye(d)))))));
        } else if (p.thing() instanceof Body b) {
            all.add(choice("looks like", List.of(Body.Form.values()), b.form(), f -> f.name().toLowerCase(Locale.ROOT),
                    k -> model.accept(Words.of("piece-board.change-the-figure"),
                    s -> s.withFloor(f -> f.with(id, q -> q.withThing(((Body) q.thing()).withForm(k)))))));
        }
        for (Dimension d : p.thing().dimensions()) {
            double step = d.unit().equals("m") ? 0.05 : d.high() > 1000 ? 50 : d.high() <= 1 ? 0.05 : 1;
            int decimals = d.unit().equals("m") || d.high() <= 1 ? 2 : 0;
            String code = d.code();
            all.add(tape(number(StageWords.dimension(d), d.unit(), d.low(), d.high(), step, decimals), () -> dimension(id, code),
                    v -> model.accept("tell a number", s -> s.withFloor(f -> f.with(id, q -> q.withThing(
                    q.thing().dimensions().stream().filter(o -> o.code().equals(code)).findFirst().orElseThrow().told(v)))))));
        }
        all.add(tape(number("turned", "\u00b0", -180, 180, 5, 0), () -> model.piece().map(q -> q.spot().like(q.at().turnDeg()))
                .orElse(Given.entered(0.0)),
                v -> model.accept("turn a piece", s -> s.withFloor(f -> f.with(id, q -> q.put(q.at().turned(v)))))));
        all.add(readout(() -> model.view().flatMap(v -> model.piece().map(q -> StageWords.instruments(v, q))).orElse("")));
        Button gone = Text.button(Words.of("piece-board.take-it-away"), "floor-button", () -> model.remove(id));
        gone.setId("piece-remove");
        all.add(gone);
        return flow(all);
    }

    private Given<Double> dimension(String id, String code) {
        return model.now().flatMap(s -> s.stage().floor().piece(id))
                .flatMap(p -> p.thing().dimensions().stream().filter(d -> d.code().equals(code)).findFirst()).map(Dimension::value)
                .orElse(Given.entered(0.0));
    }

    private static <T> Node choice(String name, List<T> all, T now, Function<T, String> words, Consumer<T> chosen) {
        ComboBox<String> box = new ComboBox<>();
        all.forEach(t -> box.getItems().add(words.apply(t)));
        box.setValue(words.apply(now));
        box.setId("choice-" + name.replace(' ', '-'));
        box.setAccessibleText(name);
        box.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(box, Priority.ALWAYS);
        box.setOnAction(e -> all.stream().filter(t -> words.apply(t).equals(box.getValue()) && !t.equals(now)).findFirst()
                .ifPresent(chosen));
        Label word = Text.of(name, "muted");
        word.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(6, word, box);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPrefWidth(WIDE);
        return row;
    }

    /// Whether a key was meant for it.
    boolean key(KeyEvent e) {
        if (e.getCode() == KeyCode.ESCAPE && !model.chosen().isEmpty()) {
            model.choose("");
            return true;
        }
        return false;
    }
}
