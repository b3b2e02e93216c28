package org.scenothesis.studio.stage;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.rehearsal.staged.Rehearsal;
import org.scenothesis.core.rehearsal.staged.SetScenery;
import org.scenothesis.core.stage.draw.Overlay;
import org.scenothesis.core.stage.draw.Reach;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.Text;

/// The set of a camera in metres: plan and side view, what the camera will see, and whether it will key and sit.
public final class StageBench extends Bench {
    private static final String PICTURE = "stage-picture";
    private static final int PASSES = 20;
    private static final int SMALL_W = 240;

    private final StageModel model;
    private final FloorView above;
    private final FloorView side;
    private final PieceBoard board;
    private final ProofSlip slip;
    private final PictureView picture = new PictureView("");
    private final HBox sets = new HBox(4);
    private final ComboBox<String> plates = new ComboBox<>();
    private final Map<Overlay.Kind, ToggleButton> overlays = new LinkedHashMap<>();
    private final ToggleButton audience = new ToggleButton("audience");
    private final Button compare = Text.button("Compare", "floor-button", () -> {});
    private final Button planned = Text.button("As planned", "floor-button", () -> {});
    private final Button suggest = Text.button("Suggest", "floor-button", () -> {});
    private final Button rehearse = Text.button("Rehearse", "floor-button", () -> {});
    private final MenuButton faults = new MenuButton("no fault");
    private final Button drawing = Text.button("Drawing", "floor-button", () -> {});
    private final ProgressBar filmed = new ProgressBar(0);
    private final Set<Fault> chosenFaults = EnumSet.noneOf(Fault.class);
    private final Button begin = Text.button("Begin a set by hand", "floor-button", () -> {});
    private final Button feet = Text.button("in feet", "quiet-button", () -> {});
    private Overlay.Kind kind = Overlay.Kind.ROOM;
    private boolean filling;
    private List<Proved> proved = List.of();

    public StageBench(Session session) {
        super(session, BenchName.STAGE, new HBox(10));
        model = new StageModel(session);
        above = new FloorView(model, true);
        side = new FloorView(model, false);
        board = new PieceBoard(model);
        slip = new ProofSlip(model);
        build();
        wire();
    }

    private void build() {
        sets.setAlignment(Pos.CENTER_LEFT);
        plates.setId("stage-plate");
        plates.setAccessibleText("the plate it is staged for");
        plates.setMaxWidth(230);
        Region room = new Region();
        HBox.setHgrow(room, Priority.ALWAYS);
        feet.setId("stage-feet");
        feet.setMinWidth(Region.USE_PREF_SIZE);
        plates.setMinWidth(60);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(picture.overlay().widthProperty());
        clip.heightProperty().bind(picture.overlay().heightProperty());
        picture.overlay().setClip(clip);
        HBox head = new HBox(8, sets, plates, room, feet);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox.setVgrow(above, Priority.ALWAYS);
        side.setPrefHeight(132);
        side.setMinHeight(96);
        board.setPrefHeight(150);
        board.setMinHeight(92);
        VBox left = new VBox(8, head, above, side, board);
        left.setPrefWidth(452);
        left.setMinWidth(380);
        VBox.setVgrow(picture, Priority.ALWAYS);
        picture.setMinHeight(180);
        slip.setPrefHeight(250);
        FlowPane actions = new FlowPane(6, 4, begin, rehearse, faults, filmed, suggest, compare, planned, drawing);
        suggest.setId("stage-suggest");
        rehearse.setId("stage-rehearse");
        faults.setId("stage-faults");
        faults.getStyleClass().add("floor-button");
        faults.setAccessibleText("what shall go wrong while it is rehearsed");
        drawing.setId("stage-drawing");
        filmed.setPrefWidth(90);
        for (Fault f : Fault.values()) {
            CheckMenuItem item = new CheckMenuItem(Words.of("fault." + f.name()));
            item.setId("fault-" + f.code());
            item.setOnAction(e -> fault(f, item.isSelected()));
            faults.getItems().add(item);
        }
        begin.setId("stage-begin");
        compare.setId("stage-compare");
        planned.setId("stage-planned");
        VBox right = new VBox(8, picture, overlayRow(), slip, actions);
        right.setMinWidth(320);
        HBox.setHgrow(right, Priority.ALWAYS);
        view.setPadding(new Insets(10, 14, 10, 12));
        view.getChildren().addAll(left, right);
    }

    private FlowPane overlayRow() {
        ToggleGroup group = new ToggleGroup();
        FlowPane row = new FlowPane(4, 4);
        for (Overlay.Kind k : List.of(Overlay.Kind.ROOM, Overlay.Kind.SHADOW, Overlay.Kind.EVENNESS, Overlay.Kind.FOCUS, Overlay.Kind.NONE)) {
            ToggleButton b = new ToggleButton(Words.of("overlay." + k.name()));
            b.getStyleClass().setAll("toggle-button", "floor-button");
            b.setToggleGroup(group);
            b.setId("overlay-" + k.name().toLowerCase(Locale.ROOT));
            b.setOnAction(e -> over(k));
            overlays.put(k, b);
            row.getChildren().add(b);
        }
        audience.getStyleClass().setAll("toggle-button", "floor-button");
        audience.setId("overlay-audience");
        audience.setToggleGroup(group);
        audience.setOnAction(e -> {
            audience.setSelected(true);
            picture();
        });
        row.getChildren().add(audience);
        Objects.requireNonNull(overlays.get(kind)).setSelected(true);
        return row;
    }

    private void over(Overlay.Kind k) {
        boolean from = audience.isSelected();
        kind = k;
        overlays.forEach((o, b) -> b.setSelected(o == k));
        audience.setSelected(false);
        if (from) {
            picture();
        } else {
            overlay();
        }
    }

    private void wire() {
        model.whenChanged(this::refresh);
        session.planned().addListener(o -> refresh());
        session.production().addListener(o -> refresh());
        session.shotId().addListener(o -> {
            model.choose("");
            refresh();
        });
        session.plateId().addListener((o, was, is) -> {
            if (inView()) {
                model.follow(is);
                refresh();
            }
        });
        picture.whenSized((w, h) -> picture());
        plates.setOnAction(e -> {
            int i = plates.getSelectionModel().getSelectedIndex();
            if (!filling && i >= 0 && i < model.plates().size()) {
                model.film(model.plates().get(i).key());
            }
        });
        suggest.setOnAction(e -> model.suggest());
        rehearse.setOnAction(e -> model.rehearse(Set.copyOf(chosenFaults)));
        drawing.setOnAction(e -> Choosers.save(view, "Drawing of the set: .pdf, .svg, .html, or in three dimensions .glb", "set-" + session.shot().number() + ".pdf").ifPresent(model::write));
        model.whenFilmed(() -> filmed.setProgress(model.share()));
        begin.setOnAction(e -> model.begin());
        compare.setOnAction(e -> model.compare());
        planned.setOnAction(e -> model.asPlanned());
        feet.setOnAction(e -> model.feet(!model.feet()));
    }

    @Override
    public void shown() {
        model.follow(session.plateId().get());
        refresh();
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        Optional<Staged> now = model.now();
        head(now);
        above.draw();
        side.draw();
        board.refresh();
        if (now.isEmpty()) {
            boolean waits = session.planned().get().plans().get(session.shot().id()) == null && !session.shot().id().isEmpty();
            proved = List.of();
            slip.say(waits ? "The plan is being made." : "Nothing is broken down that is filmed here.");
            picture.name("");
            if (waits) {
                picture.say("The plan is being made.");
            } else {
                picture.invite(Sketch.SET, "The set is staged from what is told on Break down: who and what, how large, how far, before which cloth.", "Go to Break down", () -> session.bench().set(BenchName.BREAK_DOWN));
            }
            return;
        }
        prove(now.get());
        picture();
    }

    private void fault(Fault f, boolean on) {
        if (on) {
            chosenFaults.add(f);
        } else {
            chosenFaults.remove(f);
        }
        faults.setText(chosenFaults.isEmpty() ? "no fault" : Words.count(chosenFaults.size(), "fault", "faults"));
    }

    private void head(Optional<Staged> now) {
        List<Staged> all = model.sets();
        List<String> groups = all.stream().map(Staged::group).toList();
        if (!groups.equals(sets.getUserData())) {
            sets.setUserData(groups);
            ToggleGroup group = new ToggleGroup();
            sets.getChildren().clear();
            for (Staged s : all) {
                ToggleButton b = new ToggleButton("camera " + s.group());
                b.getStyleClass().setAll("toggle-button", "floor-button");
                b.setId("set-" + s.group());
                b.setMinWidth(Region.USE_PREF_SIZE);
                b.setToggleGroup(group);
                b.setOnAction(e -> {
                    b.setSelected(true);
                    model.look(s.group());
                });
                sets.getChildren().add(b);
            }
        }
        now.ifPresent(s -> sets.getChildren().forEach(n -> ((ToggleButton) n).setSelected(n.getId().equals("set-" + s.group()))));
        filling = true;
        List<String> names = model.plates().stream().map(PlanWords::name).toList();
        if (!names.equals(plates.getItems())) {
            plates.getItems().setAll(names);
        }
        plates.getSelectionModel().select(model.plates().stream().map(PlateNeed::key).toList().indexOf(model.plate()));
        Text.shown(plates, !names.isEmpty());
        filling = false;
        suggest.setText(model.looking() ? "Stop looking" : "Suggest");
        suggest.setDisable(now.isEmpty());
        rehearse.setText(model.filming() ? "Stop the rehearsal" : "Rehearse");
        rehearse.setDisable(now.map(s -> s.needs().isEmpty()).orElse(true));
        faults.setDisable(rehearse.isDisabled());
        Text.shown(filmed, model.filming());
        filmed.setProgress(model.share());
        drawing.setDisable(now.isEmpty());
        Text.shown(begin, now.isEmpty() && !session.shot().id().isEmpty());
        compare.setText(model.compared().isPresent() ? "End the comparison" : "Compare");
        compare.setDisable(now.isEmpty());
        planned.setDisable(now.map(s -> !s.byHand()).orElse(true));
        feet.setText(model.feet() ? "in metres" : "in feet");
    }

    private void prove(Staged s) {
        String plate = model.plate();
        boolean fast = model.dragging();
        Optional<Staged> compared = model.compared();
        record Answer(List<Proved> now, List<Proved> before) {}
        model.ask("proof", ticket -> new Answer(s.proved(plate, model.rules(), !fast), compared.map(c -> c.proved(plate, model.rules(), false)).orElse(List.of())), a -> {
            proved = a.now;
            slip.show(a.now, a.before, s.stage(), model.plateName());
        });
    }

    /// What was worked out last; for those who count it.
    List<Proved> proved() {
        return proved;
    }

    private void picture() {
        Optional<SetView> view = model.view();
        if (!inView() || view.isEmpty()) {
            return;
        }
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        if (audience.isSelected()) {
            session.worker().cancel(PICTURE);
            picture.name("What the audience sees");
            AudiencePicture.show(picture, session.shot(), session.seconds().get());
            return;
        }
        AudiencePicture.gone(picture);
        picture.name("What the camera will see, rehearsed" + (view.get().lamps().isEmpty() ? " in work light: no lamp yet" : "") + (model.plateName().isEmpty() ? "" : " \u00b7 " + model.plateName()));
        SetView v = view.get();
        int wide = Math.max(64, Math.min(w, h * v.widthPx() / v.heightPx()));
        int high = Math.max(36, wide * v.heightPx() / v.widthPx());
        boolean dragging = model.dragging();
        double seconds = session.seconds().get();
        session.worker().ask(PICTURE, ticket -> {
            // Small and rough at once, then as large as the room and finer and finer.
            int small = Math.min(wide, SMALL_W);
            DisplayPicture last = rehearse(v, small, small * high / wide, wide, high, seconds, 2, ticket::wanted);
            if (!dragging) {
                session.worker().onUi(() -> seen(last, ticket.wanted()));
                return refined(v, wide, high, seconds, ticket::wanted);
            }
            return last;
        }, p -> seen(p, true), e -> picture.say(String.valueOf(e.getMessage())));
    }

    private void seen(DisplayPicture p, boolean wanted) {
        if (wanted && inView() && !audience.isSelected()) {
            picture.show(p);
            overlay();
        }
    }

    private DisplayPicture rehearse(SetView v, int w, int h, int wide, int high, double seconds, int passes, BooleanSupplier wanted) {
        Rehearsal r = new Rehearsal(SetScenery.metered(new SetView(v.stage(), v.plate(), w, Math.max(1, h))), seconds);
        for (int i = 0; i < passes && wanted.getAsBoolean(); i++) {
            r.refine(session.bands());
        }
        return DisplayPicture.of(r.picture(), wide, high, session.bands());
    }

    private DisplayPicture refined(SetView v, int wide, int high, double seconds, BooleanSupplier wanted) {
        Rehearsal r = new Rehearsal(SetScenery.metered(new SetView(v.stage(), v.plate(), wide, high)), seconds);
        DisplayPicture last = null;
        for (int i = 1; i <= PASSES && (wanted.getAsBoolean() || last == null); i++) {
            r.refine(session.bands());
            Picture p = r.picture();
            last = DisplayPicture.of(p, wide, high, session.bands());
            if (i == 2 || i % 4 == 0) {
                DisplayPicture shown = last;
                session.worker().onUi(() -> seen(shown, wanted.getAsBoolean()));
            }
        }
        return Objects.requireNonNull(last);
    }

    private void overlay() {
        Optional<SetView> view = model.view();
        Pane over = picture.overlay();
        over.getChildren().clear();
        if (view.isEmpty() || audience.isSelected() || picture.shown() == null) {
            return;
        }
        Overlay o = Overlay.of(view.get(), kind);
        DisplayPicture p = picture.shown();
        double w = p.width();
        double h = p.height();
        for (Overlay.Outline line : o.outlines()) {
            Polygon poly = new Polygon();
            line.corners().forEach(c -> poly.getPoints().addAll(Math.clamp(c.x(), -4, 5) * w, Math.clamp(c.y(), -4, 5) * h));
            poly.getStyleClass().add(line.dashed() ? "seen-swept" : "seen-edge");
            poly.setMouseTransparent(true);
            over.getChildren().add(poly);
        }
        for (Overlay.Spot s : o.spots()) {
            Circle c = new Circle(s.at().x() * w, s.at().y() * h, 2 + 3 * (kind == Overlay.Kind.SHADOW ? s.strength() : Math.abs(s.strength() - 0.5) * 2));
            c.getStyleClass().add(kind == Overlay.Kind.SHADOW || s.strength() < 0.5 ? "seen-dark" : "seen-bright");
            c.setMouseTransparent(true);
            over.getChildren().add(c);
        }
        List<Label> words = new ArrayList<>();
        for (Overlay.Value v : o.values()) {
            Label l = Text.of(v.unit().equals("stop") ? Words.stops(v.value()) : Words.number(v.value(), 2) + " " + v.unit(), "seen-word");
            l.setMouseTransparent(true);
            l.relocate(Math.clamp(v.at().x() * w + 5, 2, Math.max(2, w - 70)), Math.clamp(v.at().y() * h - 9, 2, Math.max(2, h - 20)));
            words.add(l);
        }
        over.getChildren().addAll(words);
        over.applyCss();
    }

    @Override
    public boolean key(KeyEvent e) {
        if (board.key(e)) {
            return true;
        }
        if (e.getCode() == KeyCode.M) {
            model.feet(!model.feet());
            return true;
        }
        if (e.getCode() == KeyCode.V) {
            List<Overlay.Kind> all = List.copyOf(overlays.keySet());
            over(all.get((all.indexOf(kind) + 1) % all.size()));
            return true;
        }
        if (e.getCode() == KeyCode.G && model.now().isPresent()) {
            above.focus(Reach.CAMERA);
            return true;
        }
        return false;
    }

    @Override
    public Map<String, String> keys() {
        Map<String, String> out = new LinkedHashMap<>();
        out.put("G", "into the plan; Tab goes from piece to piece");
        out.put("Arrows", "move the piece, Shift farther");
        out.put("R", "turn the piece, Shift back");
        out.put("C", "face the camera");
        out.put("Delete", "take the piece away");
        out.put("V", "what is drawn over the picture");
        out.put("M", "metres or feet");
        return out;
    }
}
