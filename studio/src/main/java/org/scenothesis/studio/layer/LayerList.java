package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Shelf;
import org.scenothesis.studio.parts.Rows;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;

/// The layers, top first: laid from any plate, named, moved, copied, seen alone, taken away.
final class LayerList extends VBox implements TimeStrip.Hold {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final Session session;
    private final Consumer<String> choose;
    private final Runnable looked;
    private final VBox rows = new VBox();
    private final Rows lines = new Rows(rows);
    private final TextField name = new TextField();
    private final FlowPane actions = new FlowPane(4, 4);
    private final MenuButton lay = new MenuButton(Words.of("layer-list.add-as-layer"));
    private final MenuButton give = new MenuButton(Words.of("layer-list.copy-settings-to"));
    private @Nullable Layer chosen;
    private boolean alone;

    /// - `choose`: called with the id of the layer to work on. `looked`: called when the picture is to be looked at otherwise; `follow`:
    ///   when
    /// something is to be followed.
    LayerList(Session session, Consumer<String> choose, Runnable looked, Runnable follow) {
        super(8);
        this.session = session;
        this.choose = choose;
        this.looked = looked;
        lay.setId("lay");
        give.setId("treat-alike");
        for (MenuButton b : List.of(lay, give)) {
            b.getStyleClass().add("floor-button");
        }
        name.setId("layer-name");
        name.setPrefColumnCount(12);
        name.setOnAction(e -> rename());
        name.focusedProperty().addListener((o, was, is) -> {
            if (!is) {
                rename();
            }
        });
        actions.getChildren().setAll(
                action("layer-up", "up", () -> move(1)), action("layer-down", "down", () -> move(-1)),
                action("layer-copy", "copy", this::copy),
                action("layer-alone", Words.of("layer-list.show-only-this"), this::turnAlone),
                action("layer-freeze", "freeze a patch", this::freeze), action("layer-away", "remove", this::takeAway), give,
                action("follow", "track a point", follow));
        Region room = new Region();
        HBox.setHgrow(room, Priority.ALWAYS);
        HBox head = new HBox(8, Text.of(Words.of("layer-list.layers-top-first"), "heading"), room, lay);
        head.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(head, rows, name, actions);
        takesPlates(this);
    }

    /// Slips of the shelf may be dropped here: their plates are laid on top.
    void takesPlates(Node on) {
        on.setOnDragOver(e -> {
            if (e.getDragboard().hasContent(Shelf.PLATE)) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        on.setOnDragDropped(e -> {
            session.shot().plate(String.valueOf(e.getDragboard().getContent(Shelf.PLATE)))
                    .filter(p -> p.chosen() != null && p.role() != PlateRole.UNSORTED).ifPresent(this::lay);
            e.setDropCompleted(true);
            e.consume();
        });
    }

    private static Button action(String id, String words, Runnable what) {
        Button b = Text.button(words, "floor-button", what);
        b.setId(id);
        return b;
    }

    void show(@Nullable Layer now) {
        chosen = now;
        Shot shot = session.shot();
        List<Rows.Row> all = new ArrayList<>();
        shot.layers().reversed().forEach(l -> all.add(new Rows.Row(l.id(), List.of(l.name(), l.on(), LayerModel.lowest(shot, l),
                LayerBench.spike(shot, l), LayerModel.purpose(shot, l), now != null && now.id().equals(l.id())), () -> row(shot, l))));
        if (all.isEmpty()) {
            all.add(new Rows.Row("", "", () -> Text.block(Words.of("layer-bench.nothing-is-layered-yet"), "muted")));
            shot.plateOf(PlateRole.CLEAN).filter(p -> p.chosen() != null).ifPresent(p -> all.add(new Rows.Row(" ", p, () ->
                    action("lay-clean", Words.of("layer-list.put-the-clean-plate-down"), () -> lay(p)))));
        }
        lines.show(all);
        lay.getItems().setAll(shot.plates().stream().filter(p -> p.chosen() != null && p.role() != PlateRole.UNSORTED).map(this::laying)
                .toList());
        if (!shot.layers().isEmpty()) {
            Layers.shadowing(shot).forEach(p -> lay.getItems().add(Text.item("lay-shadow-" + p.id(), Words.of("layer-list.the-shadow-of", p
                    .name()), () -> layShadow(p))));
            lay.getItems().add(Text.item("lay-whole", Words.of("layer-list.the-whole-shot-all-below"), this::layWhole));
        }
        lay.setDisable(lay.getItems().isEmpty());
        boolean any = now != null;
        for (Node n : List.of(name, actions)) {
            n.setVisible(any);
            n.setManaged(any);
        }
        if (now != null && !name.isFocused()) {
            name.setText(now.name());
        }
        give.getItems().setAll(now == null ? List.of() : shot.layers().stream().filter(l -> !l.id().equals(now.id()))
                .flatMap(l -> Stream.of(giving(now, l), moving(now, l))).toList());
        give.setDisable(give.getItems().isEmpty());
        alone = alone && any;
    }

    private MenuItem laying(Plate p) {
        return Text.item("lay-" + p.id(), p.name(), () -> lay(p));
    }

    private MenuItem giving(Layer from, Layer to) {
        String words = to.name() + " like " + from.name();
        return Text.item("treat-" + to.id(), words, () -> session.change("treat " + words, s -> Layers.treated(s, from.id(), to.id())));
    }

    private MenuItem moving(Layer from, Layer to) {
        String words = to.name() + " moves like " + from.name();
        return Text.item("move-" + to.id(), words, () -> session.change(words, s -> Layers.movedAlike(s, from.id(), to.id())));
    }

    /// The shot as it is looked at: whole, or the chosen layer alone.
    Shot seen(Shot shot) {
        Layer l = chosen;
        return alone && l != null && shot.layer(l.id()).isPresent() ? Layers.alone(shot, l.id()) : shot;
    }

    private Region row(Shot shot, Layer l) {
        CheckBox on = new CheckBox();
        on.setSelected(l.on());
        on.setId("on-" + l.id());
        on.setAccessibleText(l.name() + " on");
        on.setDisable(LayerModel.lowest(shot, l));
        on.setOnAction(e -> session.changeLayer(l.on() ? "switch off " + l.name() : "switch on " + l.name(), l.id(),
                o -> o.withOn(on.isSelected())));
        var called = Text.of(l.name(), "strong");
        HBox.setHgrow(called, Priority.ALWAYS);
        called.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(8, on, new SpikeMark(LayerBench.spike(shot, l), 13), called, Text.of(LayerModel.purpose(shot, l), "muted",
                "small"));
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("take-row");
        row.setId("layer-" + l.id());
        row.pseudoClassStateChanged(CHOSEN, chosen != null && chosen.id().equals(l.id()));
        row.setFocusTraversable(true);
        row.setOnMouseClicked(e -> choose.accept(l.id()));
        row.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                choose.accept(l.id());
            }
        });
        return row;
    }

    private void lay(Plate p) {
        Layer fresh = Layers.fresh(session.shot(), p);
        session.change("lay " + p.name(), s -> Layers.added(s, fresh));
        choose.accept(fresh.id());
    }

    private void layShadow(Plate p) {
        Layer fresh = Layers.shadow(session.shot(), p);
        session.change(Words.of("layer-list.lay-the-shadow-of", p.name()), s -> Layers.shadowed(s, fresh));
        choose.accept(fresh.id());
    }

    private void layWhole() {
        Layer fresh = Layers.whole(session.shot());
        session.change(Words.of("layer-list.add-the-whole-shot"), s -> Layers.added(s, fresh));
        choose.accept(fresh.id());
    }

    void layChosen() {
        Optional<Plate> p = session.plate().filter(q -> q.chosen() != null);
        if (p.isPresent()) {
            lay(p.get());
        } else {
            session.say(Words.of("layer-list.choose-plate-with-take-on"));
        }
    }

    private void move(int by) {
        Layer l = chosen;
        if (l != null) {
            session.change((by > 0 ? "move up " : "move down ") + l.name(), s -> Layers.moved(s, l.id(), by));
        }
    }

    private void copy() {
        Layer l = chosen;
        if (l != null) {
            session.change("copy " + l.name(), s -> Layers.copied(s, l.id()));
            next(1);
        }
    }

    /// Holds the frame of the layer that is shown within an outline, for a second from here.
    private void freeze() {
        Layer l = chosen;
        if (l != null) {
            double at = session.seconds().get();
            session.change(Words.of("layer-list.freeze-patch-of", l.name()), s -> Layers.frozen(s, l.id(), at));
            next(1);
            session.say(Words.of("layer-list.patch-of-is-held-here", l.name()));
        }
    }

    /// Chooses the layer that lies `by` higher, going round.
    private void next(int by) {
        List<String> ids = session.shot().layers().stream().map(Layer::id).toList();
        Layer l = chosen;
        if (!ids.isEmpty()) {
            choose.accept(ids.get(Math.floorMod((l == null ? -1 : ids.indexOf(l.id())) + by, ids.size())));
        }
    }

    private void takeAway() {
        Layer l = chosen;
        if (l != null) {
            session.change("take " + l.name() + " away", s -> Layers.without(s, l.id()));
        }
    }

    private void turnAlone() {
        alone = !alone && chosen != null;
        actions.lookup("#layer-alone").pseudoClassStateChanged(PseudoClass.getPseudoClass("selected"), alone);
        looked.run();
    }

    private void rename() {
        Layer l = chosen;
        String words = name.getText().strip();
        if (l != null && !words.isEmpty() && !words.equals(l.name()) && session.shot().layer(l.id()).isPresent()) {
            session.changeLayer("name a layer", l.id(), o -> o.withName(words));
        }
    }

    private double whole(double seconds) {
        return Math.round(seconds * session.rate()) / session.rate();
    }

    private void change(String what, UnaryOperator<Layer> how) {
        Layer l = chosen;
        if (l != null) {
            session.changeLayer(what + " " + l.name(), l.id(), how);
        }
    }

    @Override
    public void begins(double seconds) {
        change("begin", l -> Layers.beginning(l, whole(seconds)));
    }

    @Override
    public void ends(double seconds) {
        change("end", l -> Layers.ending(l, Math.max(1 / session.rate(), whole(seconds))));
    }

    @Override
    public void slides(double by) {
        change("slide", l -> Layers.later(l, whole(by)));
    }

    /// A key of the bench; true if it was one.
    boolean key(KeyCode code, boolean shift) {
        switch (code) {
            case L -> {
                if (shift) {
                    layWhole();
                } else {
                    layChosen();
                }
            }
            case C -> copy();
            case A -> turnAlone();
            case Z -> freeze();
            case N -> next(shift ? -1 : 1);
            case DELETE -> takeAway();
            case OPEN_BRACKET -> begins(session.seconds().get());
            case CLOSE_BRACKET -> ends(session.seconds().get() + 1 / session.rate());
            case COMMA -> slides((shift ? -10 : -1) / session.rate());
            case PERIOD -> slides((shift ? 10 : 1) / session.rate());
            case UP, DOWN -> {
                if (!shift) {
                    return false;
                }
                move(code == KeyCode.UP ? 1 : -1);
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    static Map<String, String> keys() {
        Map<String, String> keys = new LinkedHashMap<>();
        keys.put("L, Shift+L", Words.of("layer-list.add-the-plate-chosen-on"));
        keys.put("N", Words.of("layer-list.choose-the-layer-above-with"));
        keys.put(Words.of("layer-list.shift-up-shift-down"), Words.of("layer-list.move-the-layer-in-the"));
        keys.put("C, Delete", Words.of("layer-list.copy-the-layer-take-it"));
        keys.put("A", Words.of("layer-list.see-the-layer-alone"));
        keys.put("Z", Words.of("layer-list.freeze-patch-of-it-here"));
        keys.put("[, ]", Words.of("layer-list.the-layer-begins-ends-at"));
        keys.put(Words.of("layer-list.comma-full-stop"), Words.of("layer-list.the-layer-frame-earlier-later"));
        return keys;
    }
}
