package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.function.UnaryOperator;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Ease;
import org.scenothesis.core.shot.Keyframe;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.SetPlan;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Shown;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;

/// The finished picture; the layers; the chosen element's place in metres, time, shadow and light.
public final class LayerBench implements Bench {
    private final Session session;
    private final PictureView picture = new PictureView("");
    private final TimeStrip strip = new TimeStrip();
    private final PlanView above = new PlanView(true);
    private final PlanView side = new PlanView(false);
    private final VBox list = new VBox();
    private final VBox properties = new VBox(6);
    private final HBox view = new HBox(12);
    private @Nullable String chosen;
    private @Nullable Shot previewed;
    private @Nullable ShotRenderer renderer;
    private @Nullable Measured rendererOf;

    public LayerBench(Session session) {
        this.session = session;
        VBox.setVgrow(picture, Priority.ALWAYS);
        above.setPrefHeight(210);
        side.setPrefHeight(210);
        above.setPrefWidth(200);
        side.setPrefWidth(200);
        HBox.setHgrow(above, Priority.ALWAYS);
        HBox.setHgrow(side, Priority.ALWAYS);
        HBox plans = new HBox(8, above, side);
        plans.setMinHeight(180);
        strip.setMinHeight(58);
        strip.setPrefHeight(58);
        VBox left = new VBox(8, picture, strip, plans);
        HBox.setHgrow(left, Priority.ALWAYS);
        VBox all = new VBox(10, Text.of("Layers, top first", "heading"), list, properties);
        ScrollPane right = new ScrollPane(all);
        right.setFitToWidth(true);
        right.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        right.setMinWidth(310);
        right.setPrefWidth(310);
        right.setMaxWidth(310);
        view.setPadding(new Insets(8, 14, 10, 12));
        view.getChildren().addAll(left, right);
        wire();
    }

    private void wire() {
        picture.whenSized((w, h) -> frame());
        strip.whenMoved(s -> session.goToFrame(s * session.rate()));
        above.whenMoved(v -> preview(moved(v)), v -> accept("move " + layerName(), moved(v)));
        side.whenMoved(v -> preview(moved(v)), v -> accept("move " + layerName(), moved(v)));
        session.seconds().addListener(o -> {
            if (session.bench().get() == BenchName.LAYER) {
                strip.at(session.seconds().get());
                plans();
                properties();
                frame();
            }
        });
        session.production().addListener(o -> refresh());
        session.shotId().addListener(o -> refresh());
        session.measured().addListener(o -> frame());
        session.plateId().addListener(o -> {
            session.shot().layers().stream().filter(l -> l.plate().equals(session.plateId().get())).findFirst().ifPresent(l -> chosen = l.id());
            refresh();
        });
    }

    @Override
    public BenchName name() {
        return BenchName.LAYER;
    }

    @Override
    public Node view() {
        return view;
    }

    @Override
    public void shown() {
        refresh();
    }

    private @Nullable Layer layer() {
        return session.shot().layer(chosen).or(() -> session.shot().layers().stream().filter(l -> l.kind() == Layer.Kind.ELEMENT).findFirst()).orElse(null);
    }

    private String layerName() {
        Layer l = layer();
        return l == null ? "" : l.name().toLowerCase(java.util.Locale.ROOT);
    }

    private UnaryOperator<Layer> moved(Vec v) {
        return keyed(k -> k.at(v));
    }

    /// Changes the element's state at the playhead: the keyframe there, or a new one.
    private UnaryOperator<Layer> keyed(UnaryOperator<Keyframe> change) {
        double at = session.seconds().get();
        return l -> {
            Keyframe now = l.stateAt(at);
            return l.withKeyframe(change.apply(new Keyframe(at, now.foot(), now.turnDeg(), now.size(), now.presence(), now.ease())));
        };
    }

    private void preview(UnaryOperator<Layer> change) {
        Layer l = layer();
        if (l != null) {
            previewed = session.shot().withLayer(l.id(), change);
            frame();
        }
    }

    private void accept(String what, UnaryOperator<Layer> change) {
        previewed = null;
        Layer l = layer();
        if (l != null) {
            session.changeLayer(what, l.id(), change);
        }
    }

    private void refresh() {
        if (session.bench().get() != BenchName.LAYER) {
            return;
        }
        list.getChildren().clear();
        Shot shot = session.shot();
        for (Layer l : shot.layers().reversed()) {
            list.getChildren().add(row(shot, l));
        }
        if (shot.layers().isEmpty()) {
            list.getChildren().add(Text.block("Nothing is layered yet.", "muted"));
            Button begin = Text.button("Put the clean plate down", "floor-button", this::begin);
            begin.setDisable(shot.plateOf(PlateRole.CLEAN).map(Plate::chosen).isEmpty());
            list.getChildren().add(begin);
        }
        Layer l = layer();
        List<TimeStrip.Ribbon> ribbons = new ArrayList<>();
        if (l != null) {
            ribbons.add(new TimeStrip.Ribbon(l.name(), 0, shot.seconds(), spike(shot, l)));
        }
        strip.show(shot.seconds(), ribbons, shot.beats());
        strip.ticks(l == null ? List.of() : l.keyframes().stream().map(Keyframe::seconds).toList());
        strip.at(session.seconds().get());
        plans();
        properties();
        frame();
    }

    private void begin() {
        session.change("put the clean plate down", s -> s.withLayers(
                s.plateOf(PlateRole.CLEAN).map(c -> List.of(Layer.of("base", c.name(), Layer.Kind.BASE, c.id()))).orElse(List.of())));
    }

    private static Spike spike(Shot shot, Layer l) {
        return shot.plate(l.plate()).map(Plate::spike).orElse(Spike.T);
    }

    private Region row(Shot shot, Layer l) {
        CheckBox on = new CheckBox();
        on.setSelected(l.on());
        on.setId("on-" + l.id());
        on.setAccessibleText(l.name() + " on");
        on.setDisable(l.kind() == Layer.Kind.BASE);
        on.setOnAction(e -> session.changeLayer(l.on() ? "switch off " + l.name() : "switch on " + l.name(), l.id(), o -> o.withOn(on.isSelected())));
        Label kind = Text.of(switch (l.kind()) {
            case BASE -> "base";
            case PATCH -> "patch";
            case ELEMENT -> "element";
            case LIGHT -> "added light";
        }, "muted", "small");
        Label name = Text.of(l.name(), "strong");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(8, on, new SpikeMark(spike(shot, l), 13), name, kind);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("take-row");
        row.setId("layer-" + l.id());
        Layer now = layer();
        row.pseudoClassStateChanged(javafx.css.PseudoClass.getPseudoClass("chosen"), now != null && now.id().equals(l.id()));
        row.setFocusTraversable(true);
        Runnable choose = () -> {
            chosen = l.id();
            refresh();
        };
        row.setOnMouseClicked(e -> choose.run());
        row.setOnKeyPressed(e -> {
            if (e.getCode() == javafx.scene.input.KeyCode.ENTER) {
                choose.run();
            }
        });
        return row;
    }

    private void plans() {
        Layer l = layer();
        boolean placed = l != null && l.kind() == Layer.Kind.ELEMENT;
        Keyframe state = placed ? l.stateAt(session.seconds().get()) : null;
        Spike mark = l == null ? Spike.X : spike(session.shot(), l);
        above.show(session.shot().plan(), l, state, mark);
        side.show(session.shot().plan(), l, state, mark);
    }

    private void properties() {
        // A field being typed in must not be taken away under the hand.
        if (properties.getScene() != null && properties.getScene().getFocusOwner() instanceof javafx.scene.control.TextField f && inside(f)) {
            properties.requestFocus();
        }
        properties.getChildren().clear();
        Layer l = layer();
        if (l == null) {
            return;
        }
        properties.getChildren().add(Text.of(l.name() + " at " + Words.time(session.seconds().get()), "heading"));
        Keyframe k = l.stateAt(session.seconds().get());
        if (l.kind() == Layer.Kind.ELEMENT) {
            place(l, k);
            shadow(l);
        }
        if (l.kind() != Layer.Kind.BASE) {
            tape("presence", "", 0, 1, 0.05, 2, "0 is absent, 1 is fully there", k.presence(), v -> keyed(s -> s.present(v)));
            keyframes(l);
        }
        tape("gain", "stop", -4, 4, 0.05, 2, "Brightens or darkens this layer", l.gainStops(), v -> o -> o.withGainStops(v));
        if (l.kind() != Layer.Kind.BASE && l.kind() != Layer.Kind.LIGHT) {
            check("matched by the lock check", l.matched(), "matched", v -> o -> o.withMatched(v));
        }
        if (l.kind() == Layer.Kind.PATCH || l.kind() == Layer.Kind.LIGHT) {
            tape("mask softness", "px", 0, 200, 1, 0, "", l.maskSoftnessPx(), v -> o -> o.withMask(o.mask(), v));
        }
    }

    private boolean inside(Node n) {
        for (Node p = n; p != null; p = p.getParent()) {
            if (p == properties) {
                return true;
            }
        }
        return false;
    }

    private void place(Layer l, Keyframe k) {
        boolean staged = session.shot().plan() != null;
        if (!staged) {
            properties.getChildren().add(Text.block("Without a staged set the element stays where it was filmed.", "muted", "small"));
            return;
        }
        tape("sideways", "m", -50, 50, 0.01, 2, "Place of the foot, to the right", k.foot().x(), v -> keyed(s -> s.at(new Vec(v, s.foot().y(), s.foot().z()))));
        tape("height", "m", -10, 50, 0.01, 2, "Place of the foot above the floor", k.foot().y(), v -> keyed(s -> s.at(new Vec(s.foot().x(), v, s.foot().z()))));
        tape("away", "m", -50, 100, 0.01, 2, "Place of the foot, away from the camera", k.foot().z(), v -> keyed(s -> s.at(new Vec(s.foot().x(), s.foot().y(), v))));
        tape("turn", "\u00b0", -180, 180, 0.5, 1, "Clockwise in the picture", k.turnDeg(), v -> keyed(s -> s.turned(v)));
        tape("size", "\u00d7", 0.05, 20, 0.01, 2, "Against its real size", k.size(), v -> keyed(s -> s.sized(v)));
    }

    private void shadow(Layer l) {
        SetPlan plan = session.shot().plan();
        if (plan == null) {
            return;
        }
        check("shadow from the plan's light", l.shadow().on(), "shadow", v -> o -> o.withShadow(new Layer.Shadow(v, o.shadow().density(), o.shadow().softness())));
        tape("shadow density", "\u00d7", 0, 3, 0.05, 2, "Against key and fill of the plan", l.shadow().density(),
                v -> o -> o.withShadow(new Layer.Shadow(o.shadow().on(), v, o.shadow().softness())));
        tape("shadow softness", "\u00d7", 0, 5, 0.05, 2, "Against the size of the plan's light", l.shadow().softness(),
                v -> o -> o.withShadow(new Layer.Shadow(o.shadow().on(), o.shadow().density(), v)));
        SetPlan.Light light = plan.light();
        light("light side", "\u00b0", -180, 180, 1, light.azimuthDeg(), v -> new SetPlan.Light(v, light.elevationDeg(), light.sizeDeg(), light.keyToFillStops()));
        light("light height", "\u00b0", 1, 90, 1, light.elevationDeg(), v -> new SetPlan.Light(light.azimuthDeg(), v, light.sizeDeg(), light.keyToFillStops()));
        light("light size", "\u00b0", 0, 120, 1, light.sizeDeg(), v -> new SetPlan.Light(light.azimuthDeg(), light.elevationDeg(), v, light.keyToFillStops()));
        light("key to fill", "stop", 0, 12, 0.1, light.keyToFillStops(), v -> new SetPlan.Light(light.azimuthDeg(), light.elevationDeg(), light.sizeDeg(), v));
    }

    private interface LightOf {
        SetPlan.Light of(double v);
    }

    private void light(String name, String unit, double low, double high, double step, double now, LightOf of) {
        DoubleConsumer preview = v -> {
            previewed = withLight(session.shot(), of.of(v));
            frame();
        };
        DoubleConsumer accept = v -> {
            previewed = null;
            session.change(name, s -> withLight(s, of.of(v)));
        };
        Tape t = new Tape(new Tape.Parameter(name, unit, low, high, step, 1, "Of the staged set, for all elements"), preview, accept);
        t.show(now);
        properties.getChildren().add(t);
    }

    private static Shot withLight(Shot s, SetPlan.Light light) {
        SetPlan p = s.plan();
        return p == null ? s : s.withPlan(p.withLight(light));
    }

    private void keyframes(Layer l) {
        double at = session.seconds().get();
        boolean here = l.keyframes().stream().anyMatch(k -> Math.abs(k.seconds() - at) < 0.02);
        Button set = Text.button(here ? "take keyframe away" : "set keyframe here", "floor-button", () -> accept(
                here ? "take a keyframe away" : "set a keyframe",
                here ? o -> o.withKeyframes(o.keyframes().stream().filter(k -> Math.abs(k.seconds() - at) >= 0.02).toList()) : keyed(k -> k)));
        set.setId("keyframe");
        HBox row = new HBox(6, set);
        if (here) {
            Keyframe k = l.stateAt(at);
            Ease next = Ease.values()[(k.ease().ordinal() + 1) % Ease.values().length];
            row.getChildren().add(Text.button("ease: " + k.ease().name().toLowerCase(java.util.Locale.ROOT), "floor-button", () -> accept(
                    "ease", keyed(s -> new Keyframe(s.seconds(), s.foot(), s.turnDeg(), s.size(), s.presence(), next)))));
        }
        properties.getChildren().add(row);
    }

    private interface Change {
        UnaryOperator<Layer> of(double v);
    }

    private void tape(String name, String unit, double low, double high, double step, int decimals, String help, double now, Change change) {
        Tape t = new Tape(new Tape.Parameter(name, unit, low, high, step, decimals, help), v -> preview(change.of(v)), v -> accept(name, change.of(v)));
        t.field().setId("tape-" + name.replace(' ', '-'));
        t.show(now);
        properties.getChildren().add(t);
    }

    private interface Switch {
        UnaryOperator<Layer> of(boolean v);
    }

    private void check(String words, boolean now, String id, Switch change) {
        CheckBox c = new CheckBox(words);
        c.setSelected(now);
        c.setId("check-" + id);
        c.setOnAction(e -> accept(words, change.of(c.isSelected())));
        properties.getChildren().add(c);
    }

    private void frame() {
        if (session.bench().get() != BenchName.LAYER) {
            return;
        }
        Shot shot = previewed != null ? previewed : session.shot();
        if (shot.layers().isEmpty()) {
            picture.say("Nothing is layered yet. Put the clean plate down, then key an element.");
            picture.name("");
            return;
        }
        Measured m = session.measured().get();
        double at = session.seconds().get();
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        session.worker().ask(
                "layer-picture",
                ticket -> {
                    Picture p = renderer(m).frame(shot, at);
                    return Shown.of(p, w, h, session.bands());
                },
                picture::show,
                e -> picture.say(String.valueOf(e.getMessage())));
        picture.name("Frame " + session.frame());
    }

    /// Only ever called on the picture lane.
    private ShotRenderer renderer(Measured m) {
        ShotRenderer r = renderer;
        if (r == null || rendererOf == null || !rendererOf.locks().equals(m.locks())) {
            if (r != null) {
                r.close();
            }
            r = new ShotRenderer(session.folder(), m, session.bands());
            renderer = r;
            rendererOf = m;
        }
        return r;
    }
}
