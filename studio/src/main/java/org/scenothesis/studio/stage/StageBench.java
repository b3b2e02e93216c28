package org.scenothesis.studio.stage;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.rehearsal.staged.PredictionCheck;
import org.scenothesis.core.stage.draw.Reach;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.Text;

/// The set of a camera in metres: plan and side view, what the camera will see, and whether it will key and sit.
public final class StageBench extends Bench {
    private final StageModel model;
    private final StageWork work;
    private final FloorView above;
    private final FloorView side;
    private final PieceBoard board;
    private final ProofSlip slip;
    private final SeenPicture picture;
    private final HBox sets = new HBox(4);
    private final ComboBox<String> plates = new ComboBox<>();
    private final Button compare = Text.button("Compare", "floor-button", () -> {});
    private final Button planned = Text.button("As planned", "floor-button", () -> {});
    private final Button suggest = Text.button("Suggest", "floor-button", () -> {});
    private final Button rehearse = Text.button("Rehearse", "floor-button", () -> {});
    private final MenuButton faults = new MenuButton("no fault");
    private final Button drawing = Text.button("Drawing", "floor-button", () -> {});
    private final ProgressBar filmed = new ProgressBar(0);
    private final Label left = Text.of("", "muted", "small");
    private final Set<Fault> chosenFaults = EnumSet.noneOf(Fault.class);
    private final Button begin = Text.button(Words.of("stage-bench.begin-set-by-hand"), "floor-button", () -> {});
    private final Button feet = Text.button("in feet", "quiet-button", () -> {});
    private boolean filling;

    public StageBench(Session session) {
        super(session, BenchName.STAGE, new HBox(10));
        model = new StageModel(session);
        work = new StageWork(model);
        above = new FloorView(model, true);
        side = new FloorView(model, false);
        board = new PieceBoard(model);
        slip = new ProofSlip(model);
        picture = new SeenPicture(session, model, this::inView);
        build();
        wire();
    }

    private void build() {
        sets.setAlignment(Pos.CENTER_LEFT);
        plates.setId("stage-plate");
        plates.setAccessibleText(Words.of("stage-bench.the-plate-it-is-staged"));
        plates.setMaxWidth(230);
        Region room = new Region();
        HBox.setHgrow(room, Priority.ALWAYS);
        feet.setId("stage-feet");
        feet.setMinWidth(Region.USE_PREF_SIZE);
        plates.setMinWidth(60);
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
        slip.setPrefHeight(250);
        FlowPane actions = new FlowPane(6, 4, begin, rehearse, faults, filmed, left, suggest, compare, planned, drawing);
        suggest.setId("stage-suggest");
        rehearse.setId("stage-rehearse");
        faults.setId("stage-faults");
        faults.getStyleClass().add("floor-button");
        faults.setAccessibleText(Words.of("stage-bench.what-goes-wrong-in-the"));
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
        VBox right = new VBox(8, picture, slip, actions);
        right.setMinWidth(320);
        HBox.setHgrow(right, Priority.ALWAYS);
        view.setPadding(new Insets(10, 14, 10, 12));
        view.getChildren().addAll(left, right);
    }

    private void wire() {
        model.whenChanged(this::refresh);
        session.planned().addListener(o -> refresh());
        session.production().addListener(o -> refresh());
        session.judgement().addListener(o -> {
            if (inView()) {
                model.now().ifPresent(this::prove);
            }
        });
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
        plates.setOnAction(e -> {
            int i = plates.getSelectionModel().getSelectedIndex();
            if (!filling && i >= 0 && i < model.plates().size()) {
                model.film(model.plates().get(i).key().code());
            }
        });
        suggest.setOnAction(e -> work.suggest());
        rehearse.setOnAction(e -> work.rehearse(Set.copyOf(chosenFaults)));
        drawing.setOnAction(e -> Choosers.save(view, Words.of("stage-bench.drawing-of-the-set-pdf"), "set-" + session.shot().number()
                + ".pdf").ifPresent(work::write));
        work.whenFilmed(this::progress);
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
            slip.say(waits ? Words.of("stage-bench.the-plan-is-being-made") : Words.of("stage-bench.nothing-is-broken-down-that"));
            picture.view().name("");
            if (waits) {
                picture.view().say(Words.of("stage-bench.the-plan-is-being-made"));
            } else {
                picture.view().invite(Sketch.SET, Words.of("stage-bench.the-set-is-staged-from"), Words.of("stage-bench.go-to-break-down"),
                        () -> session.bench().set(BenchName.BREAK_DOWN));
            }
            return;
        }
        prove(now.get());
        picture.refresh();
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
        plates.getSelectionModel().select(model.plates().stream().map(n -> n.key().code()).toList().indexOf(model.plate()));
        Text.shown(plates, !names.isEmpty());
        filling = false;
        suggest.setText(work.looking() ? "Stop looking" : "Suggest");
        suggest.setDisable(now.isEmpty());
        rehearse.setText(work.filming() ? Words.of("stage-bench.stop-the-rehearsal") : "Rehearse");
        rehearse.setDisable(now.map(s -> s.needs().isEmpty()).orElse(true));
        faults.setDisable(rehearse.isDisabled());
        progress();
        drawing.setDisable(now.isEmpty());
        Text.shown(begin, now.isEmpty() && !session.shot().id().isEmpty());
        compare.setText(model.compared().isPresent() ? Words.of("stage-bench.end-the-comparison") : "Compare");
        compare.setDisable(now.isEmpty());
        planned.setDisable(now.map(s -> !s.byHand()).orElse(true));
        feet.setText(model.feet() ? "in metres" : "in feet");
    }

    private void progress() {
        Text.shown(filmed, work.filming());
        filmed.setProgress(work.share());
        left.setText(work.left());
        Text.shown(left, !left.getText().isEmpty());
    }

    private void prove(Staged s) {
        String plate = model.plate();
        boolean fast = model.dragging();
        Optional<Staged> compared = model.compared();
        HouseRules rules = model.rules();
        record Answer(List<Proved> now, List<Proved> before, List<PredictionCheck> filmed) {}
        model.ask("proof", ticket -> new Answer(s.proved(plate, rules, !fast), compared.map(c -> c.proved(plate, rules, false))
                .orElse(List.of()), fast ? List.of() : model.filmed(s)), a -> {
            slip.show(a.now, a.before, s.stage(), model.plateName());
            slip.filmed(a.filmed);
        });
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
            picture.next();
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
        out.put("G", Words.of("stage-bench.into-the-plan-tab-goes"));
        out.put("Arrows", Words.of("stage-bench.move-the-piece-shift-farther"));
        out.put("R", Words.of("stage-bench.turn-the-piece-shift-back"));
        out.put("C", Words.of("stage-bench.face-the-camera"));
        out.put("Delete", Words.of("stage-bench.take-the-piece-away"));
        out.put("V", Words.of("stage-bench.drawing-over-the-picture"));
        out.put("M", Words.of("stage-bench.metres-or-feet"));
        return out;
    }
}
