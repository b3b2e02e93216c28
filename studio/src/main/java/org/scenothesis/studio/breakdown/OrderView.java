package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.ShootDay;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Rows;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;

/// The order of the day over all shots, with every change and its minutes; rows can be dragged, or moved with Alt and the arrows, and the
/// price is said.
final class OrderView extends PageView {
    /// Rows shown; a day with more is read in the book.
    private static final int MOST = 250;
    private static final PseudoClass TARGET = PseudoClass.getPseudoClass("target");

    private final VBox rows = new VBox(3);
    private final Rows lines = new Rows(rows);
    private final Map<String, String> names = new LinkedHashMap<>();
    private final LightBand band;
    private final PlaceFields place;
    private String focused = "";
    private int grabbed = -1;

    OrderView(BreakDownModel model) {
        super(model);
        band = new LightBand(model);
        place = new PlaceFields(model);
        rows.setId("order-rows");
        wireDrag();
    }

    @Override
    void refresh() {
        DayPlan day = model.day();
        box.getChildren().setAll(when(), price(day));
        day.order().broken().forEach(b -> {
            Label l = Text.block(PlanWords.broken(b), "text-chalk");
            l.getStyleClass().add("conflict-redo");
            l.setPadding(new Insets(5, 10, 5, 10));
            l.setMaxWidth(Double.MAX_VALUE);
            box.getChildren().add(l);
        });
        String calls = day.calls().entrySet().stream().map(e -> PlanWords.item(e.getKey()) + " " + PlanWords.clock(e.getValue()))
                .reduce((a, b) -> a + ", " + b).orElse("");
        if (!calls.isEmpty()) {
            box.getChildren().add(Text.block("Called: " + calls + ". Times: " + PlanWords.zone(day) + ".", "muted"));
        }
        band.refresh();
        place.refresh();
        box.getChildren().addAll(band.node(), place.node());
        fill(day);
        box.getChildren().add(rows);
        if (day.order().steps().size() > MOST) {
            box.getChildren().add(Text.block(Words.of("order-view.and-more-the-book-and", (day.order().steps().size() - MOST)), "muted"));
        }
        if (!day.order().steps().isEmpty()) {
            box.getChildren().add(costs());
        }
    }

    private Node when() {
        ShootDay d = model.session().store().now().day();
        Label said = Text.block("", "muted");
        TextField date = new TextField(d.date());
        TextField call = new TextField(d.callTime());
        date.setId("day-date");
        date.setPromptText("2026-06-21");
        date.setPrefColumnCount(8);
        call.setId("day-call");
        call.setPrefColumnCount(4);
        Runnable done = () -> {
            if (!date.getText().equals(d.date()) || !call.getText().equals(d.callTime())) {
                said.setText(model.when(date.getText(), call.getText()));
            }
        };
        for (TextField f : List.of(date, call)) {
            f.setOnAction(e -> done.run());
            f.focusedProperty().addListener((o, was, is) -> {
                if (was && !is) {
                    done.run();
                }
            });
        }
        var prepare = StoryPanel.tape("prepare", "min", 0, 600, 5, d.prepareMinutes(), model::prepare);
        HBox row = new HBox(8, Text.of("Day", "muted"), date, Text.of("call", "muted"), call, prepare, said);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private Node price(DayPlan day) {
        if (day.order().steps().isEmpty()) {
            return Text.block(Words.of("order-view.nothing-has-to-be-rolled"), "muted");
        }
        String sum = Words.of("order-view.done-about-min-of-them", PlanWords.clock(day.ends()), Words.number(day.order().minutes(), 0),
                Words.number(day.order().changeMinutes(), 0));
        Label words = Text.of(sum, "heading");
        HBox row = new HBox(10, words);
        row.setAlignment(Pos.CENTER_LEFT);
        if (day.own()) {
            double more = day.extraMinutes();
            Label own = Text.of(more > 0.5 ? Words.of("order-view.your-order-costs-min-more", Words.number(more, 0)) : more < -0.5
                    ? Words.of("order-view.shorter-but-it-breaks-what") : Words.of("order-view.your-order-as-cheap-as"), "muted");
            own.setId("price");
            var back = Text.button(Words.of("order-view.back-to-the-cheapest"), "floor-button", model::cheapest);
            back.setId("cheapest");
            row.getChildren().addAll(own, back);
        } else {
            row.getChildren().add(Text.of(day.cheapest().exact() ? Words.of("order-view.no-order-is-cheaper")
                    : Words.of("order-view.good-order-there-may-be"), "muted"));
        }
        return row;
    }

    private void fill(DayPlan day) {
        Map<String, Spike> spikes = spikes(day);
        List<Rows.Row> all = new ArrayList<>();
        for (RunningOrder.Step s : day.order().steps().subList(0, Math.min(MOST, day.order().steps().size()))) {
            String plate = s.job().shot() + "/" + s.need().key();
            Spike spike = spikes.getOrDefault(plate, Spike.T);
            int at = all.size();
            all.add(new Rows.Row(s.job().id(), List.of(at, spike, PlanWords.clock(day.clock(s)), names.getOrDefault(plate, ""),
                    PlanWords.name(s.job()), s.changes(), s.job().shot().equals(model.shot().id())), () -> row(day, s, spike, at)));
        }
        lines.show(all);
    }

    /// The mark of every plate, and, in `names`, what the crew calls it where it is on the shelf.
    private Map<String, Spike> spikes(DayPlan day) {
        names.clear();
        Map<String, Spike> out = new LinkedHashMap<>();
        for (Shot s : day.production().shots()) {
            Map<PlateKey, Plate> have = Breakdown.matched(s, day.plan(s.id()));
            int i = s.plates().size();
            have.forEach((need, plate) -> names.put(s.id() + "/" + need, plate.name()));
            for (var n : day.plan(s.id()).needs()) {
                out.put(s.id() + "/" + n.key(), have.containsKey(n.key()) ? have.get(n.key()).spike() : Spike.number(i++));
            }
        }
        return out;
    }

    private Node row(DayPlan day, RunningOrder.Step s, Spike spike, int at) {
        boolean here = s.job().shot().equals(model.shot().id());
        Label clock = Text.of(PlanWords.clock(day.clock(s)), "number");
        clock.setMinWidth(42);
        Label shot = Text.of(s.job().shot(), "muted", "small");
        shot.setMinWidth(26);
        String own = names.get(s.job().shot() + "/" + s.need().key());
        Label name = Text.block(own == null ? PlanWords.name(s.job()) : own + PlanWords.part(s.job()), here ? "strong" : "muted");
        Label changes = Text.block(s.changes().isEmpty() ? "" : Words.number(s.changeMinutes(), 0) + " min before: " + s.changes().stream()
                .map(c -> Words.of("change." + c.kind().code())).reduce((a, b) -> a + ", " + b).orElse(""), "muted", "small");
        changes.setMinWidth(96);
        changes.setPrefWidth(260);
        HBox.setHgrow(changes, Priority.ALWAYS);
        changes.setMaxWidth(Double.MAX_VALUE);
        name.setMinWidth(96);
        name.setPrefWidth(214);
        HBox row = new HBox(8, clock, new SpikeMark(spike, 12), shot, name, changes);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("order-row");
        row.setFocusTraversable(true);
        row.setId("step-" + at);
        row.setAccessibleText(PlanWords.clock(day.clock(s)) + ", " + PlanWords.name(s.job()));
        Tooltip.install(row, new Tooltip(PlanWords.name(s.job()) + (s.changes().isEmpty() ? "" : "\n" + PlanWords.changes(s.changes()))));
        wire(row, s.job().id(), at);
        if (s.job().id().equals(focused)) {
            Platform.runLater(row::requestFocus);
        }
        return row;
    }

    private void wire(HBox row, String job, int at) {
        row.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.isAltDown() && (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN)) {
                focused = job;
                model.move(job, at + (e.getCode() == KeyCode.UP ? -1 : 1));
                e.consume();
            }
        });
        row.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            row.requestFocus();
            grabbed = at;
            // Else the scroll pane around takes the focus.
            e.consume();
        });
    }

    /// Dragging is followed by the column of rows: it belongs to no single one.
    private void wireDrag() {
        rows.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> mark(grabbed < 0 ? -1 : target(e.getY())));
        rows.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            int from = grabbed;
            int to = target(e.getY());
            grabbed = -1;
            mark(-1);
            if (from >= 0 && to != from) {
                focused = model.day().order().steps().get(from).job().id();
                model.move(focused, to);
            }
        });
    }

    private void mark(int to) {
        for (int i = 0; i < rows.getChildren().size(); i++) {
            rows.getChildren().get(i).pseudoClassStateChanged(TARGET, i == to && to != grabbed);
        }
    }

    /// The row at a height of the column.
    private int target(double y) {
        List<Node> all = rows.getChildren();
        for (int i = 0; i < all.size(); i++) {
            if (y <= all.get(i).getBoundsInParent().getMaxY()) {
                return i;
            }
        }
        return Math.max(0, all.size() - 1);
    }

    private Node costs() {
        Estimates e = model.rules().estimates();
        Estimates.Changes c = e.changes();
        double[] now = {c.camera(), c.cloth(), c.swap(), c.person(), c.prop(), c.clothes(), c.light(), c.card()};
        String[] names = {Words.of("order-view.new-camera-position"), Words.of("order-view.cloth-up-or-down"),
                Words.of("order-view.swap-the-cloth"), "a person", "a prop", Words.of("order-view.change-of-clothes"),
                Words.of("order-view.change-of-light"), "a card"};
        VBox b = new VBox(3, Text.of(Words.of("order-view.what-change-costs-here"), "heading"));
        b.setMaxWidth(360);
        b.setPadding(new Insets(8, 0, 0, 0));
        for (int i = 0; i < now.length; i++) {
            int at = i;
            b.getChildren().add(StoryPanel.tape(names[i], "min", 0, 600, 1, now[i], v -> {
                double[] m = now.clone();
                m[at] = v;
                model.estimates(e.withChanges(new Estimates.Changes(m[0], m[1], m[2], m[3], m[4], m[5], m[6], m[7])));
            }));
        }
        return b;
    }
}
