package org.scenothesis.studio.layer;

import java.nio.file.Files;
import java.nio.file.Path;
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
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Trail;
import org.scenothesis.core.shot.Trails;
import org.scenothesis.core.shot.step.Cast;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Keys;
import org.scenothesis.core.shot.step.Led;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Pin;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.shot.step.Put;
import org.scenothesis.core.shot.step.Ripple;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.value.Kind;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.OutlineEditor;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.PointHandles;
import org.scenothesis.studio.parts.TimeStrip;

/// The finished picture; the layers; the chosen element's place in metres, time, shadow and light.
public final class LayerBench extends Bench {
    /// What is moved by hand.
    private static final Set<Class<? extends Step>> HANDS = Set.of(Put.class, Pin.class, Join.class, Cast.class, Warp.class, Ripple.class, Place.class);

    private final PictureView picture = new PictureView("");
    private final TimeStrip strip = new TimeStrip();
    private final PlanView above = new PlanView(true);
    private final PlanView side = new PlanView(false);
    private final LayerPile pile;
    private final BooleanProperty staged = new SimpleBooleanProperty();
    private final LayerProperties properties;
    private final OutlineEditor outline = new OutlineEditor(picture, this::outlined);
    private final PointHandles pins = new PointHandles(picture, "pin-", this::pulled, this::pinned);
    private final TrailMarks trails = new TrailMarks(picture, this::mended);
    private final FollowLine following;
    private final WipeLine wipe = new WipeLine(picture, this::frame);
    private final PutHandles handles = new PutHandles(picture, p -> preview(put(p).apply(session.shot())), p -> accept("move " + layerName(), put(p)));
    private Optional<Hands.Hand> hand = Optional.empty();
    private boolean onion;
    private @Nullable String chosen;
    private @Nullable Shot previewed;
    private @Nullable ShotRenderer renderer;
    private @Nullable Measured rendererOf;

    public LayerBench(Session session) {
        super(session, BenchName.LAYER, new HBox(12));
        picture.setId("layer-picture");
        pile = new LayerPile(session, this::choose, this::frame, this::follow);
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
        following = new FollowLine(session, picture, this::layer);
        VBox left = new VBox(8, picture, following, strip, plans);
        HBox.setHgrow(left, Priority.ALWAYS);
        VBox all = new VBox(10, pile, following.trails(), properties);
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
        session.loop().addListener((o, was, now) -> strip.loop(now.marked() ? now.from() : 0, now.marked() ? Math.min(now.to(), session.shot().seconds()) : 0));
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

    /// What is drawn on the picture: what was taken in hand, else the layer's first outline; a garbage matte is drawn on its screen, on Key, and the base has none.
    private Optional<Hands.Hand> outlined(Layer l) {
        if (hand.isPresent()) {
            return hand.filter(h -> Hands.outline(l, h, 0).isPresent());
        }
        boolean none = l.keyed() || LayerModel.lowest(session.shot(), l);
        return none ? Optional.empty() : Hands.of(l).stream().filter(h -> Hands.outline(l, h, 0).isPresent()).findFirst();
    }

    /// The points that lead a step: of the one in hand, else the first.
    private Optional<Hands.Hand> led(Layer l) {
        return hand.isPresent() ? hand.filter(h -> Hands.outline(l, h, 0).isEmpty()) : Hands.of(l).stream().filter(h -> Hands.outline(l, h, 0).isEmpty()).findFirst();
    }

    private PlanarMap carried(Layer l, Hands.Hand h) {
        return Hands.carried(session.shot(), l, h.step(), session.seconds().get(), aspect());
    }

    private double aspect() {
        return picture.overlay().getHeight() <= 0 ? 16 / 9.0 : picture.overlay().getWidth() / picture.overlay().getHeight();
    }

    private void outlined(List<Point> corners) {
        Layer l = layer();
        if (l == null) {
            return;
        }
        Optional<Hands.Hand> h = outlined(l);
        double at = session.seconds().get();
        if (h.isPresent()) {
            List<Point> to = Hands.mapped(corners, carried(l, h.get()).inverse());
            accept("outline of " + layerName(), s -> s.withLayer(l.id(), o -> Hands.moved(o, h.get(), at, to)));
        } else if (!l.keyed() && !LayerModel.lowest(session.shot(), l)) {
            accept("outline of " + layerName(), s -> s.withLayer(l.id(), o -> o.with(Outline.of(corners, Layers.SOFTNESS_PX), x -> x.withCorners(at, corners))));
        }
    }

    private void outline() {
        Layer l = layer();
        Optional<Hands.Hand> h = l == null ? Optional.empty() : outlined(l);
        outline.show(l == null || h.isEmpty() ? List.of() : Hands.mapped(Hands.outline(l, h.get(), session.seconds().get()).orElse(List.of()), carried(l, h.get())));
    }

    private void pulled(List<Point> points) {
        Layer l = layer();
        Optional<Hands.Hand> h = l == null ? Optional.empty() : led(l);
        if (l != null && h.isPresent()) {
            List<Point> to = led(l, h.get(), points);
            preview(session.shot().withLayer(l.id(), o -> Hands.moved(o, h.get(), session.seconds().get(), to)));
        }
    }

    private void pinned(List<Point> points) {
        Layer l = layer();
        Optional<Hands.Hand> h = l == null ? Optional.empty() : led(l);
        if (l == null || h.isEmpty()) {
            return;
        }
        double at = session.seconds().get();
        List<Point> to = led(l, h.get(), points);
        Layer moved = Hands.moved(l, h.get(), at, to);
        if (moved.equals(l)) {
            session.say("The points cannot lie so: none may fall together, and four corners must go round one way, none within the others.");
            previewed = null;
            pins.hide();
            handles();
            frame();
        } else {
            accept("points of " + layerName(), s -> s.withLayer(l.id(), o -> Hands.moved(o, h.get(), at, to)));
        }
    }

    /// The points as they were pulled, where the step has them.
    private List<Point> led(Layer l, Hands.Hand h, List<Point> pulledTo) {
        List<Point> to = Hands.mapped(pulledTo, carried(l, h).inverse());
        List<Point> before = ((Led) l.steps().get(h.step())).points(session.seconds().get());
        return pins.alone() || before.size() != to.size() ? to : Hands.together(before, to);
    }

    /// The next of what can be taken hold of.
    private void nextHand() {
        Layer l = layer();
        if (l == null || Hands.of(l).isEmpty()) {
            session.say("Nothing of this layer is led by points or outlined; add a step first.");
            return;
        }
        hand = Hands.next(l, hand);
        outline();
        handles();
        Step s = l.steps().get(hand.orElseThrow().step());
        session.say("In hand: " + Words.of("step." + Kind.word(s.getClass())) + (hand.orElseThrow().limit() ? ", its limit" : "") + ".");
        Platform.runLater(() -> {
            if (Hands.outline(l, hand.orElseThrow(), 0).isPresent()) {
                outline.focus();
            } else {
                pins.focus();
            }
        });
    }

    private void mended(Trail t, List<Point> places) {
        following.mend(t, places);
    }

    private void follow() {
        following.begin(false);
    }

    /// The frame as it is seen, in its own size, as a still beside the renders.
    private void keepFrame() {
        Shot shot = session.shot();
        Measured m = session.measured().get();
        double at = session.seconds().get();
        if (shot.layers().isEmpty()) {
            session.say("Nothing is layered yet.");
            return;
        }
        String name = "frame-" + shot.id() + "-" + session.frame() + ".png";
        session.worker().ask("layer-picture|still", ticket -> {
            Path file = session.folder().forResult(session.folder().renders().resolve(name));
            Files.createDirectories(file.getParent());
            Stills.write(file, renderer(m).frame(shot, at), Stills.Format.PNG16);
            return file;
        }, file -> session.say("Kept as renders/" + name + "."), e -> session.say(String.valueOf(e.getMessage())));
    }

    private void turnOnion() {
        onion = !onion;
        session.say(onion ? "The half is seen whole and half there, over what is below." : "The half is cut at its seam again.");
        frame();
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
        double at = session.seconds().get();
        Optional<Hands.Hand> h = l == null ? Optional.empty() : led(l);
        if (l == null || h.isEmpty()) {
            pins.hide();
        } else {
            Led step = (Led) l.steps().get(h.get().step());
            pins.show(Hands.mapped(step.points(at), carried(l, h.get())), step.lines(), step.names().stream().map(n -> n.replace('-', ' ')).toList());
        }
        Put put = l == null ? null : l.step(Put.class).orElse(null);
        handles.show(put, at, session.rate(), l == null || put == null ? PlanarMap.identity() : Hands.carried(session.shot(), l, l.steps().indexOf(put), at, aspect()));
        marks(l, at);
    }

    /// The trails that the layer hangs on; of the base all that were followed in its plate.
    private void marks(@Nullable Layer l, double at) {
        Shot shot = session.shot();
        Set<String> hangs = l == null ? Set.of() : Trails.of(l);
        List<Trail> seen = shot.trails().stream().filter(t -> hangs.contains(t.id()) || l != null && LayerModel.lowest(shot, l) && l.source().plates().contains(t.plate())).toList();
        trails.show(seen, seen.stream().map(t -> Trails.takeSeconds(shot, t.plate(), at)).toList(), session.rate());
    }

    private void choose(String id) {
        hand = Optional.empty();
        onion = false;
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
        hand = l == null ? Optional.empty() : hand.filter(Hands.of(l)::contains);
        following.show();
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
        Layer half = layer();
        if (onion && half != null && shot.layer(half.id()).isPresent()) {
            shot = Hands.onion(shot, shot.layer(half.id()).orElseThrow());
        }
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
        Shot seen = shot;
        double from = wipe.shown() ? wipe.share() : 0;
        session.worker().ask(
                "layer-picture",
                ticket -> {
                    Picture after = renderer(m).frame(seen, at);
                    Picture p = from > 0 ? WipeLine.joined(renderer(m).frame(WipeLine.before(seen), at), after, from) : after;
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
            case H -> nextHand();
            case G -> following.begin(e.isShiftDown());
            case O -> turnOnion();
            case W -> {
                wipe.show(!wipe.shown());
                frame();
            }
            case X -> keepFrame();
            case ESCAPE -> {
                return following.stop();
            }
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
        keys.put("H", "take hold of the layer's next outline or points");
        keys.put("G, Shift+G", "go along: follow a point that is clicked; the layer's pinned corners");
        keys.put("O", "see a joined half whole, half there");
        keys.put("W", "before and after: left of the line the lowest layer alone");
        keys.put("X", "keep this frame as a still in renders");
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
