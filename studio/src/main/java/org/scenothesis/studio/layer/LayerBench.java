package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.Insets;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.step.Keys;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Pin;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.shot.step.Put;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.OutlineEditor;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.TimeStrip;

/// The finished picture; the layers; the chosen element's place in metres, time, shadow and light.
public final class LayerBench extends Bench {
    /// What is moved by hand.
    private static final Set<Class<? extends Step>> HANDS = Set.of(Put.class, Pin.class, Place.class);

    private final PictureView picture = new PictureView("");
    private final TimeStrip strip = new TimeStrip();
    private final PlanView above = new PlanView(true);
    private final PlanView side = new PlanView(false);
    private final LayerPile pile;
    private final BooleanProperty staged = new SimpleBooleanProperty();
    private final LayerProperties properties;
    private final OutlineEditor outline = new OutlineEditor(picture, this::outlined);
    private final OutlineEditor pins = OutlineEditor.ofFixed(picture, "pin-", this::pinned);
    private final PutHandles handles = new PutHandles(picture, p -> preview(put(p).apply(session.shot())), p -> accept("move " + layerName(), put(p)));
    private @Nullable String chosen;
    private @Nullable Shot previewed;
    private @Nullable ShotRenderer renderer;
    private @Nullable Measured rendererOf;

    public LayerBench(Session session) {
        super(session, BenchName.LAYER, new HBox(12));
        pile = new LayerPile(session, this::choose, this::frame);
        pile.takesPlates(picture);
        properties = new LayerProperties(session.shot(), session.store()::now, this::preview, this::accept);
        VBox.setVgrow(picture, Priority.ALWAYS);
        above.setPrefHeight(210);
        side.setPrefHeight(210);
        above.setPrefWidth(200);
        side.setPrefWidth(200);
        HBox.setHgrow(above, Priority.ALWAYS);
        HBox.setHgrow(side, Priority.ALWAYS);
        HBox plans = new HBox(8, above, side);
        // Without a set there is nothing to see in them.
        plans.visibleProperty().bind(staged);
        plans.managedProperty().bind(staged);
        plans.setMinHeight(180);
        strip.setMinHeight(58);
        strip.setPrefHeight(58);
        VBox left = new VBox(8, picture, strip, plans);
        HBox.setHgrow(left, Priority.ALWAYS);
        VBox all = new VBox(10, pile, properties);
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
        strip.holds(pile);
        for (PlanView plan : List.of(above, side)) {
            plan.whenMoved(v -> preview(moved(v).apply(session.shot())), v -> accept("move " + layerName(), moved(v)));
        }
        session.seconds().addListener(o -> {
            if (inView()) {
                strip.at(session.seconds().get());
                plans();
                properties.show(session.shot(), layer(), session.seconds().get());
                outline();
                handles();
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

    private @Nullable Layer layer() {
        List<Layer> all = session.shot().layers();
        return session.shot().layer(chosen).or(() -> all.stream().filter(Layer::keyed).findFirst()).or(() -> all.reversed().stream().findFirst()).orElse(null);
    }

    private String layerName() {
        Layer l = layer();
        return l == null ? "" : l.name().toLowerCase(Locale.ROOT);
    }

    private UnaryOperator<Shot> moved(Vec v) {
        Layer l = layer();
        double at = session.seconds().get();
        return l == null ? s -> s : s -> s.withLayer(l.id(), o -> o.with(Place.asFilmed(s.somewhere()), p -> p.withFoot(p.foot().set(at, v))));
    }

    /// The layer whose outline is drawn on the picture: a garbage matte is drawn on its screen, on Key, and the base has none.
    private Optional<Layer> outlinable() {
        Layer l = layer();
        return l == null || l.keyed() || LayerModel.lowest(session.shot(), l) ? Optional.empty() : Optional.of(l);
    }

    private void outlined(List<Point> corners) {
        double at = session.seconds().get();
        outlinable().ifPresent(l -> accept(
                "outline of " + layerName(), s -> s.withLayer(l.id(), o -> o.with(Outline.of(corners, Layers.SOFTNESS_PX), x -> x.withCorners(at, corners)))));
    }

    private void outline() {
        outline.show(outlinable().flatMap(l -> l.step(Outline.class)).map(o -> o.at(session.seconds().get())).orElse(List.of()));
    }

    private void pinned(List<Point> corners) {
        Layer l = layer();
        if (l != null && Pin.bendsOneWay(corners)) {
            double at = session.seconds().get();
            accept("pin " + layerName(), s -> s.withLayer(l.id(), o -> o.with(Pin.FRESH, p -> p.with(at, corners))));
        } else {
            session.say("The four corners must go round one way, none within the others.");
            handles();
        }
    }

    /// Takes a step in hand that the layer has, or gets now.
    private void byHand(Step usual, Runnable focus) {
        Layer l = layer();
        if (l == null) {
            session.say("Lay a plate first: L lays the one that is chosen on the shelf.");
            return;
        }
        if (l.step(usual.getClass()).isEmpty()) {
            session.changeLayer("take " + l.name() + " in hand", l.id(), o -> o.with(usual));
        }
        Platform.runLater(focus);
    }

    private void keyframe() {
        Layer l = layer();
        double at = session.seconds().get();
        if (l != null) {
            session.changeLayer("keyframe of " + l.name(), l.id(), o -> o.withSteps(o.steps().stream().map(s -> HANDS.contains(s.getClass()) ? Keys.set(s, at) : s).toList()));
        }
    }

    private UnaryOperator<Shot> put(Put p) {
        Layer l = layer();
        return l == null ? s -> s : s -> s.withLayer(l.id(), o -> o.with(p));
    }

    private void handles() {
        Layer l = layer();
        pins.show(l == null ? List.of() : l.step(Pin.class).map(p -> p.at(session.seconds().get())).orElse(List.of()));
        handles.show(l == null ? null : l.step(Put.class).orElse(null), session.seconds().get(), session.rate());
    }

    private void choose(String id) {
        chosen = id;
        refresh();
    }

    private void preview(Shot changed) {
        previewed = changed;
        frame();
    }

    private void accept(String what, UnaryOperator<Shot> change) {
        previewed = null;
        session.change(what, change);
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        Shot shot = session.shot();
        pile.show(layer());
        Layer l = layer();
        List<TimeStrip.Ribbon> ribbons = new ArrayList<>();
        if (l != null) {
            Layers.Stretch there = Layers.there(l, shot.seconds(), session.rate());
            ribbons.add(new TimeStrip.Ribbon(l.name(), there.from(), there.to(), spike(shot, l)));
        }
        strip.show(shot.seconds(), ribbons, shot.beats());
        strip.ticks(l == null ? List.of() : l.keyTimes());
        strip.at(session.seconds().get());
        plans();
        properties.show(shot, l, session.seconds().get());
        outline();
        handles();
        frame();
    }

    static Spike spike(Shot shot, Layer l) {
        return shot.plate(l.plate()).map(Plate::spike).orElse(Spike.T);
    }

    private void plans() {
        staged.set(session.shot().stage() != null);
        Layer l = layer();
        Place.Stand state = l == null ? null : l.step(Place.class).map(p -> p.stand(session.seconds().get())).orElse(null);
        Spike mark = l == null ? Spike.X : spike(session.shot(), l);
        above.show(session.shot().stage(), l, state, mark);
        side.show(session.shot().stage(), l, state, mark);
    }

    private void frame() {
        if (!inView()) {
            return;
        }
        Shot shot = pile.seen(previewed != null ? previewed : session.shot());
        if (shot.layers().isEmpty()) {
            picture.say("Nothing is layered yet. Put the clean plate down first, then what is to be seen over it: L lays the plate that is chosen on the shelf.");
            picture.name("");
            return;
        }
        if (picture.shown() == null) {
            picture.say("The picture is being made.");
        }
        Measured m = session.measured().get();
        double at = session.seconds().get();
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        session.worker().ask(
                "layer-picture",
                ticket -> {
                    Picture p = renderer(m).frame(shot, at);
                    return DisplayPicture.of(p, w, h, session.bands());
                },
                picture::show,
                e -> picture.say(String.valueOf(e.getMessage())));
        picture.name("Frame " + session.frame());
    }

    @Override
    public boolean key(KeyEvent e) {
        switch (e.getCode()) {
            case M -> byHand(Put.AS_FILMED, handles::focus);
            case Q -> byHand(Pin.FRESH, pins::focus);
            case K -> keyframe();
            default -> {
                return pile.key(e.getCode(), e.isShiftDown());
            }
        }
        return true;
    }

    @Override
    public Map<String, String> keys() {
        Map<String, String> keys = LayerPile.keys();
        keys.put("M, Q", "move the layer by hand; pin its corners");
        keys.put("K", "a keyframe here of all that is moved by hand");
        return keys;
    }

    @Override
    public void close() {
        ShotRenderer r = renderer;
        renderer = null;
        if (r != null) {
            r.close();
        }
    }

    /// Only ever called on the picture lane.
    private ShotRenderer renderer(Measured m) {
        ShotRenderer r = renderer;
        if (r == null || rendererOf == null || !rendererOf.samePictures(m)) {
            if (r != null) {
                r.close();
            }
            r = new ShotRenderer(session.folder(), m, session.surveyor().contents(), session.frames(), session.bands());
            renderer = r;
            rendererOf = m;
        }
        return r;
    }
}
