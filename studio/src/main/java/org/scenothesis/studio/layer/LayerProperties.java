package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Keys;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.StepKind;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.Choice;
import org.scenothesis.core.shot.step.Choices;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.PointDriven;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Given;
import org.scenothesis.core.value.Kind;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.ChoiceRow;
import org.scenothesis.studio.parts.Focus;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// The steps of the chosen layer as forms: their numbers at the playhead, their keys, and what may be added or taken away.
///
/// Controls are made when another layer is chosen or its steps are others; while time passes they only show other numbers.
final class LayerProperties extends VBox {
    private static final double HEAD = 31;

    private final Supplier<Production> production;
    private final Consumer<Shot> moving;
    private final BiConsumer<String, UnaryOperator<Shot>> done;
    private final Consumer<String> onGround;
    private final List<Runnable> updates = new ArrayList<>();
    private Shot shot;
    private String layer = "";
    private List<Object> built = List.of();
    private double at;
    /// The kind of step whose points are shown as numbers; empty for none.
    private String open = "";

    /// - `moving`: the shot as it would be, while a number is dragged; `done`: what changes once it is let go; `onGround`: a layer that is
    ///   to stand where its lowest point is seen.
    LayerProperties(Shot shot, Supplier<Production> production, Consumer<Shot> moving, BiConsumer<String, UnaryOperator<Shot>> done,
            Consumer<String> onGround) {
        super(6);
        this.production = production;
        this.shot = shot;
        this.moving = moving;
        this.done = done;
        this.onGround = onGround;
    }

    private void accept(String what, UnaryOperator<Layer> change) {
        String id = layer;
        done.accept(what, s -> s.withLayer(id, change));
    }

    /// The steps of a layer at a moment; null for none.
    void show(Shot ofShot, @Nullable Layer l, double atSeconds) {
        shot = ofShot;
        at = atSeconds;
        layer = l == null ? "" : l.id();
        List<Object> form = new ArrayList<>(List.of(ofShot.id(), layer, ofShot.stage() != null, lowest(),
                LayerModel.setUps(production.get())));
        if (l != null) {
            form.add(l.name());
            l.steps().forEach(s -> form.add(s.getClass()));
            l.steps().forEach(s -> form.add(s instanceof PointDriven led ? led.names().size() : 0));
            ofShot.tracks().forEach(t -> form.add(t.id() + t.name()));
            form.add(l.time().getClass());
        }
        if (!form.equals(built)) {
            built = form;
            build(l);
        }
        updates.forEach(Runnable::run);
    }

    private boolean lowest() {
        return shot.layer(layer).filter(l -> LayerModel.lowest(shot, l)).isPresent();
    }

    private void build(@Nullable Layer l) {
        // What has the focus must not be taken away under the hand: a field being typed in, the button of a menu.
        if (getScene() != null && getScene().getFocusOwner() instanceof Node f && Focus.within(f, this)) {
            requestFocus();
        }
        getChildren().clear();
        updates.clear();
        if (l == null) {
            return;
        }
        Label head = Text.of("", "heading");
        updates.add(() -> head.setText(l.name() + " at " + Words.time(at)));
        getChildren().add(head);
        int next = 0;
        for (Step s : LayerModel.shown(shot, l)) {
            boolean there = next < l.steps().size() && l.steps().get(next) == s;
            new Form(s, there ? next++ : -1).build();
        }
        List<String> setUps = LayerModel.setUps(production.get());
        if (!setUps.isEmpty() && l.step(SetPlace.class).isPresent()) {
            setUp(setUps);
        }
        if (l.step(Shadow.class).isPresent() && shot.stage() != null) {
            light();
        }
        getChildren().addAll(adding(l), new LayingForm(l, lowest(), new LayingForm.Edits(() -> shot.layer(layer).orElse(l), () -> at,
                c -> moving.accept(shot.withLayer(layer, c)), this::accept, updates, Layers.sources(shot, l), word -> o ->
                Layers.sourced(shot, o, word).orElse(o))));
    }

    /// What may be added, by what it is for: one long list would not fit a small window.
    private FlowPane adding(Layer l) {
        FlowPane all = new FlowPane(6, 6, Text.of(Words.of("adding"), "muted"));
        for (StepKind.Purpose purpose : StepKind.Purpose.values()) {
            MenuButton add = new MenuButton(Words.of("adding." + purpose.name()));
            add.setId("adding-" + purpose.name().toLowerCase(Locale.ROOT).replace('_', '-'));
            add.getStyleClass().add("floor-button");
            Layers.addable(shot, l).stream().filter(s -> StepKind.of(s).purpose() == purpose).forEach(s -> add.getItems().add(item(s)));
            add.setDisable(add.getItems().isEmpty());
            all.getChildren().add(add);
        }
        return all;
    }

    private MenuItem item(Step s) {
        String word = Words.of("step." + Kind.word(s.getClass()));
        return Text.item("add-" + Kind.word(s.getClass()), word, () -> accept("add " + word, o -> Layers.more(o, s)));
    }

    /// One step; an index below 0 says that the layer has none of it yet, and that a change puts it in.
    private final class Form {
        private final Step usual;
        private final int index;

        Form(Step usual, int index) {
            this.usual = usual;
            this.index = index;
        }

        private Step now() {
            return index < 0 ? usual : shot.layer(layer).map(l -> l.steps().get(index)).orElse(usual);
        }

        private UnaryOperator<Layer> put(UnaryOperator<Step> change) {
            return index < 0 ? l -> l.with(change.apply(usual)) : l -> l.with(index, change.apply(l.steps().get(index)));
        }

        void build() {
            String name = Words.of("step." + Kind.word(usual.getClass()));
            HBox head = new HBox(6, Text.of(name, "column-head"));
            head.setAlignment(Pos.CENTER_LEFT);
            // As high with a button as without.
            head.setMinHeight(HEAD);
            if (Keys.can(usual)) {
                head.getChildren().addAll(keys(name));
            }
            if (index >= 0) {
                var room = new HBox();
                HBox.setHgrow(room, Priority.ALWAYS);
                Button off = Text.button("\u00d7", "floor-button", () -> accept("take " + name + " away", l -> l.without(index)));
                off.setId("remove-" + Kind.word(usual.getClass()));
                off.setAccessibleText("take " + name + " away");
                head.getChildren().addAll(room, off);
            }
            getChildren().add(head);
            if (usual instanceof SetPlace) {
                place();
            }
            if (usual instanceof Key) {
                head.getChildren().add(1, Text.of(Words.of("layer-properties.its-numbers-are-on-key"), "muted", "small"));
                return;
            }
            if (usual instanceof SetPlace && shot.stage() == null) {
                return;
            }
            choices();
            List<? extends Parameter<?>> all = StepKind.parameters(usual);
            int own = usual instanceof PointDriven led ? all.size() - 2 * led.names().size() : all.size();
            all.subList(0, own).forEach(this::tape);
            if (own < all.size()) {
                points(all.subList(own, all.size()));
            }
            special();
            if (usual instanceof Exposure && !lowest()) {
                matched();
            }
        }

        /// Words to choose side by side; what each is for is said while the mouse rests on it.
        private void choices() {
            double since = at;
            List<Choice<?>> all = Choices.of(usual, shot.tracks().stream().map(Track::id).toList(), t -> shot.track(t)
                    .map(x -> Tracks.takeSeconds(shot, x.plate(), since)).orElse(0.0));
            FlowPane row = new FlowPane(6, 4);
            for (Choice<?> c : all) {
                String name = Words.of("choice." + c.code());
                ComboBox<String> box = new ComboBox<>();
                box.getItems().addAll(c.options().stream().map(this::word).toList());
                box.setId("choice-" + c.code());
                box.setAccessibleText(name);
                Text.tip(box, () -> name);
                box.setOnAction(e -> {
                    String chosen = c.options().stream().filter(o -> word(o).equals(box.getValue())).findFirst().orElse(c.get(now()));
                    if (!chosen.equals(c.get(now()))) {
                        accept(name, put(s -> c.with(s, chosen)));
                    }
                });
                updates.add(() -> box.setValue(word(c.get(now()))));
                row.getChildren().add(box);
            }
            if (!all.isEmpty()) {
                getChildren().add(row);
            }
        }

        /// A track by its name, else a word of the house.
        private String word(String option) {
            return shot.track(option).map(Track::name).orElseGet(() -> Words.has("option." + option) ? Words.of("option." + option)
                    : option);
        }

        /// The points are pulled in the picture; their numbers are there when they are wanted.
        private void points(List<? extends Parameter<?>> numbers) {
            int from = getChildren().size();
            numbers.forEach(this::tape);
            List<Node> rows = List.copyOf(getChildren().subList(from, getChildren().size()));
            String code = Kind.word(usual.getClass());
            Button b = Text.button("", "floor-button", () -> {
                open = open.equals(code) ? "" : code;
                updates.forEach(Runnable::run);
            });
            b.setId("points-" + code);
            updates.add(() -> {
                boolean shown = open.equals(code);
                b.setText(shown ? Words.of("layer-properties.hide-the-numbers-of-its")
                        : Words.of("layer-properties.its-points-as-numbers"));
                rows.forEach(n -> {
                    n.setVisible(shown);
                    n.setManaged(shown);
                });
            });
            getChildren().add(from, b);
        }

        /// What only one kind of step has.
        private void special() {
            if (usual instanceof HandHeld) {
                Button jolt = Text.button("a jolt here", "floor-button", () -> accept("a jolt", put(s -> ((HandHeld) s).jolted(at))));
                jolt.setId("jolt");
                Button calm = Text.button("no jolts", "floor-button",
                        () -> accept("no jolts", put(s -> ((HandHeld) s).withJolts(List.of()))));
                calm.setId("no-jolts");
                updates.add(() -> calm.setDisable(!(now() instanceof HandHeld w) || w.jolts().isEmpty()));
                getChildren().add(new HBox(6, jolt, calm));
            }
            if (usual instanceof DrawnShadow) {
                Button limit = Text.button("", "floor-button", () -> accept(Words.of("layer-properties.limit-of-the-shadow"),
                        put(s -> ((DrawnShadow) s).withLimit(((DrawnShadow) s).limit().isEmpty() ? Layers.MIDDLE : List.of()))));
                limit.setId("cast-limit");
                updates.add(() -> limit.setText(now() instanceof DrawnShadow c && !c.limit().isEmpty() ? "no limit"
                        : Words.of("layer-properties.keep-it-within-an-outline")));
                getChildren().add(limit);
            }
            if (usual instanceof Warp) {
                Button pin = Text.button("a pin more", "floor-button",
                        () -> accept("a pin more", put(s -> ((Warp) s).pinned(new Point(0.5, 0.5)))));
                pin.setId("pin-more");
                Button fewer = Text.button("a pin fewer", "floor-button", () -> accept("a pin fewer", put(s -> ((Warp) s).fewer())));
                fewer.setId("pin-fewer");
                getChildren().add(new HBox(6, pin, fewer));
            }
        }

        private void tape(Parameter<?> p) {
            String name = Words.of("parameter." + p.code());
            Tape t = new Tape(
                    Tape.number(p), v -> moving.accept(shot.withLayer(layer, put(s -> p.with(s, at, v)))),
                    v -> accept(name, put(s -> p.with(s, at, v))));
            t.field().setId("tape-" + p.code());
            updates.add(() -> t.show(p.get(now(), at)));
            getChildren().add(t);
        }

        private List<Node> keys(String name) {
            Button set = Text.button("", "floor-button", () -> {
                boolean here = Keys.at(now(), at);
                accept((here ? Words.of("layer-properties.take-keyframe-away-from") : Words.of("layer-properties.set-keyframe-of")) + name,
                        put(s -> here ? Keys.without(s, at) : Keys.set(s, at)));
            });
            set.setId("key-" + Kind.word(usual.getClass()));
            Button ease = Text.button("", "floor-button", () -> {
                Ease was = Keys.ease(now(), at).orElse(Ease.SOFT);
                Ease next = Ease.values()[(was.ordinal() + 1) % Ease.values().length];
                accept("ease", put(s -> Keys.eased(s, at, next)));
            });
            ease.setId("ease-" + Kind.word(usual.getClass()));
            updates.add(() -> {
                var here = Keys.ease(now(), at);
                set.setText(here.isPresent() ? "keyframe \u2212" : "keyframe +");
                set.setAccessibleText(here.isPresent() ? Words.of("layer-properties.take-the-keyframe-here-away")
                        : Words.of("layer-properties.set-keyframe-here"));
                ease.setVisible(here.isPresent());
                ease.setManaged(here.isPresent());
                ease.setText(here.map(e -> e.name().toLowerCase(Locale.ROOT)).orElse(""));
            });
            return List.of(set, ease);
        }

        private void place() {
            Label words = Text.block("", "muted", "small");
            words.setId("place-words");
            updates.add(() -> {
                String said = LayerModel.words(shot, (SetPlace) now(), at);
                words.setText(said);
                words.setVisible(!said.isEmpty());
                words.setManaged(!said.isEmpty());
            });
            getChildren().add(words);
            Button told = Text.button(Words.of("layer-properties.it-was-filmed-there"), "floor-button", () -> accept(
                    Words.of("layer-properties.tell-where-it-was-filmed"),
                    put(s -> ((SetPlace) s).withFilmedFoot(Given.entered(((SetPlace) s).filmedFoot().value())))));
            told.setId("told-filmed-foot");
            Button stands = Text.button(Words.of("layer-properties.it-stands-on-the-ground"), "floor-button", () -> onGround.accept(layer));
            stands.setId("stands-on-ground");
            Text.tip(stands, () -> Words.of("place.on-ground.help"));
            FlowPane both = new FlowPane(4, 4, told, stands);
            updates.add(() -> Text.shown(both, shot.stage() != null && ((SetPlace) now()).filmedFoot() instanceof Given.Assumed));
            getChildren().add(both);
        }

        private void matched() {
            CheckBox c = new CheckBox(Words.of("layer-properties.matched-by-the-lock-check"));
            c.setId("check-matched");
            c.setOnAction(e -> accept(c.getText(), put(s -> ((Exposure) s).withMatched(c.isSelected()))));
            updates.add(() -> c.setSelected(((Exposure) now()).matched()));
            getChildren().add(c);
        }
    }

    /// Which camera and light the shot is filmed with, and who else is.
    private void setUp(List<String> setUps) {
        List<String> words = new ArrayList<>(List.of(Words.of("setUp.none")));
        words.addAll(setUps);
        ChoiceRow row = new ChoiceRow("set-up", Words.of("setUp"), words,
                word -> done.accept(Words.of("setUp"), s -> s.withSetUp(LayerModel.setUp(production.get(), word))));
        Label others = Text.block("", "muted", "small");
        updates.add(() -> {
            row.show(shot.setUp() == null ? Words.of("setUp.none") : shot.setUp().name());
            others.setText(LayerModel.sharing(production.get(), shot));
            others.setVisible(!others.getText().isEmpty());
            others.setManaged(!others.getText().isEmpty());
        });
        getChildren().addAll(row, others);
    }

    private void light() {
        getChildren().add(Text.of(Words.of("layer-properties.light-of-the-stage-for"), "column-head"));
        for (LightNumber n : LightNumber.values()) {
            Tape t = new Tape(n.number, v -> moving.accept(lit(shot, n, v)), v -> done.accept(n.number.name(), s -> lit(s, n, v)));
            t.field().setId("tape-" + n.number.name().replace(' ', '-'));
            updates.add(() -> {
                Stage stage = shot.stage();
                if (stage != null) {
                    t.show(n.value.apply(stage));
                    t.say(Words.origin(n.origin.apply(stage)));
                }
            });
            getChildren().add(t);
        }
    }

    private static Shot lit(Shot s, LightNumber n, double v) {
        return s.withStage(stage -> stage.withLight(n.with.apply(stage, v)));
    }
}
