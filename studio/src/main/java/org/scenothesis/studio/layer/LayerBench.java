package org.scenothesis.studio.layer;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.Insets;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.layer.GroundContact;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.LayerGestures;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.measure.FileLens;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.store.ResultFile;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.TimeStrip;

/// The finished picture; the layers; the chosen element's place in metres, time, shadow and light.
public final class LayerBench extends Bench {
    private final PictureView picture = new PictureView("");
    private final TimeStrip strip = new TimeStrip();
    private final PlanView above = new PlanView(true);
    private final PlanView side = new PlanView(false);
    private final LayerList pile;
    private final BooleanProperty staged = new SimpleBooleanProperty();
    private final LayerProperties properties;
    private final TrackMarks tracks = new TrackMarks(picture, this::mended);
    private final FollowLine following;
    private final WipeLine wipe = new WipeLine(picture, this::frame);
    private final LayerHandles hands;
    private final StageHand stage;
    private boolean onion;
    private @Nullable String chosen;
    private @Nullable Shot previewed;

    public LayerBench(Session session) {
        super(session, BenchName.LAYER, new HBox(12));
        picture.setId("layer-picture");
        pile = new LayerList(session, this::choose, this::frame, this::follow);
        pile.takesPlates(picture);
        properties = new LayerProperties(session.shot(), session.store()::now, this::preview, this::accept, this::onGround);
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
        hands = new LayerHandles(session, picture, this::layer, this::preview, this::accept);
        VBox left = new VBox(8, picture, following, strip, plans);
        HBox.setHgrow(left, Priority.ALWAYS);
        stage = new StageHand(picture, session::shot, () -> FileLens.view(session.shot(), session.measured().get()), this::preview,
                this::accept, session::say);
        VBox all = new VBox(10, pile, following.tracks(), properties, stage);
        ScrollPane right = new ScrollPane(all);
        stage.whenTurned(open -> {
            // What is told is on top; else it is one button at the end.
            all.getChildren().remove(stage);
            all.getChildren().add(open ? 0 : all.getChildren().size(), stage);
            right.setVvalue(0);
            pullable();
        });
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
                pullable();
                marks(layer());
                frame();
            }
        });
        session.loop().addListener((o, was, now) -> strip.loop(now.marked() ? now.from() : 0, now.marked()
                ? Math.min(now.to(), session.shot().seconds()) : 0));
        session.production().addListener(o -> refresh());
        session.shotId().addListener(o -> refresh());
        session.measured().addListener(o -> frame());
        session.plateId().addListener(o -> {
            session.shot().layers().stream().filter(l -> l.plate().equals(session.plateId().get())).findFirst()
                    .ifPresent(l -> chosen = l.id());
            refresh();
        });
    }

    private @Nullable Layer layer() {
        List<Layer> all = session.shot().layers();
        return session.shot().layer(chosen).or(() -> all.stream().filter(Layer::keyed).findFirst())
                .or(() -> all.reversed().stream().findFirst()).orElse(null);
    }

    private String layerName() {
        Layer l = layer();
        return l == null ? "" : l.name().toLowerCase(Locale.ROOT);
    }

    private UnaryOperator<Shot> moved(Vec v) {
        Layer l = layer();
        double at = session.seconds().get();
        return l == null ? s -> s
                : s -> s.withLayer(l.id(), o -> o.with(SetPlace.asFilmed(s.somewhere()), p -> p.withFoot(p.foot().set(at, v))));
    }

    private void mended(Track t, List<Point> places) {
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
            session.say(Words.of("layer-bench.nothing-is-layered-yet"));
            return;
        }
        String name = "frame-" + shot.id() + "-" + session.frame() + ".png";
        session.worker().ask("layer-picture|still", ticket -> {
            Path file = session.folder().forResult(session.folder().renders().resolve(name));
            Files.createDirectories(file.getParent());
            ResultFile.write(file, session.renderer().of(m).frame(shot, at), Stills.Format.PNG16);
            return file;
        }, file -> session.say(Words.of("layer-bench.kept-as-renders", name)), e -> session.say(String.valueOf(e.getMessage())));
    }

    /// Stands a layer where its lowest point is seen, as it is keyed at the playhead; its picture stays where it is.
    private void onGround(String id) {
        Shot shot = session.shot();
        Stage stage = shot.stage();
        if (stage == null) {
            return;
        }
        Measured m = session.measured().get();
        double at = session.seconds().get();
        Shot bare = shot.withLayer(id, l -> l.without(SetPlace.class).without(Shadow.class).without(DrawnShadow.class));
        session.worker().ask("layer-ground", ticket -> GroundContact.of(session.renderer().of(m).cutout(bare, id, at).coverage(), stage),
                foot -> {
            session.say(Words.of(foot.isPresent() ? "place.on-ground" : "place.on-ground.none",
                    foot.map(f -> Words.number(f.z() - stage.camera().position().value().z(), 2)).orElse("")));
            foot.ifPresent(f -> session.change(Words.of("layer-bench.stand-it-on-the-ground"),
                    s -> s.withLayer(id, l -> l.with(SetPlace.asFilmed(new Given.Measured<>(f, "lowest-point")),
                    p -> p.stands(new Given.Measured<>(f, "lowest-point"))))));
        }, e -> session.say(String.valueOf(e.getMessage())));
    }

    private void turnOnion() {
        onion = !onion;
        session.say(onion ? Words.of("layer-bench.the-half-is-seen-whole") : Words.of("layer-bench.the-half-is-cut-at"));
        frame();
    }

    /// The tracks that the layer hangs on; of the base all that were followed in its plate.
    private void marks(@Nullable Layer l) {
        Shot shot = session.shot();
        double at = session.seconds().get();
        Set<String> hangs = l == null ? Set.of() : Tracks.of(l);
        List<Track> seen = shot.tracks().stream().filter(t -> hangs.contains(t.id()) || l != null && LayerModel.lowest(shot, l)
                && l.source().plates().contains(t.plate())).toList();
        tracks.show(seen, seen.stream().map(t -> Tracks.takeSeconds(shot, t.plate(), at)).toList(), session.rate());
    }

    private void choose(String id) {
        hands.rest();
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
        stage.show();
        pullable();
        marks(l);
        frame();
    }

    /// While the set is told its points alone are pulled.
    private void pullable() {
        if (stage.isOpen()) {
            hands.hide();
        } else {
            hands.show();
        }
    }

    static Spike spike(Shot shot, Layer l) {
        return shot.plate(l.plate()).map(Plate::spike).orElse(Spike.T);
    }

    private void plans() {
        staged.set(session.shot().stage() != null);
        Layer l = layer();
        SetPlace.Stand state = l == null ? null : l.step(SetPlace.class).map(p -> p.stand(session.seconds().get())).orElse(null);
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
            shot = LayerGestures.onion(shot, shot.layer(half.id()).orElseThrow());
        }
        if (shot.layers().isEmpty()) {
            session.worker().cancel("layer-picture");
            boolean filmed = shot.plates().stream().anyMatch(p -> p.chosen() != null);
            picture.invite(Sketch.LAYERS, Words.of("layer-bench.layers-go-over-one-another"),
                    filmed ? Words.of("layer-bench.add-the-plate-chosen-on") : Words.of("key-bench.bring-footage-in-on-shoot"), filmed
                    ? pile::layChosen : () -> session.bench().set(BenchName.SHOOT));
            picture.name("");
            return;
        }
        if (picture.shown() == null) {
            picture.say(Words.of("layer-bench.the-picture-is-being-made"));
        }
        Measured m = session.measured().get();
        double at = session.seconds().get();
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        Shot seen = shot;
        double from = wipe.shown() ? wipe.share() : 0;
        picture.expect("Frame " + session.frame());
        session.worker().ask(
                "layer-picture",
                ticket -> {
                    Picture after = session.renderer().of(m).frame(seen, at);
                    Picture p = from > 0 ? WipeLine.joined(session.renderer().of(m).frame(WipeLine.before(seen), at), after, from) : after;
                    return DisplayPicture.of(p, w, h, session.bands());
                },
                picture::showExpected,
                e -> picture.say(String.valueOf(e.getMessage())));
    }

    @Override
    public void hidden() {
        session.renderer().rest("layer-picture");
    }

    @Override
    public boolean key(KeyEvent e) {
        switch (e.getCode()) {
            case G -> following.begin(e.isShiftDown());
            case O -> turnOnion();
            case W -> {
                wipe.show(!wipe.shown());
                frame();
            }
            case X -> keepFrame();
            case S -> stage.turn();
            case ESCAPE -> {
                return following.stop();
            }
            default -> {
                return hands.key(e.getCode()) || pile.key(e.getCode(), e.isShiftDown());
            }
        }
        return true;
    }

    @Override
    public Map<String, String> keys() {
        Map<String, String> keys = LayerList.keys();
        keys.put("M, Q", Words.of("layer-bench.move-the-layer-by-hand"));
        keys.put("H", Words.of("layer-bench.take-hold-of-the-layers"));
        keys.put("G, Shift+G", Words.of("layer-bench.go-along-follow-point-that"));
        keys.put("O", Words.of("layer-bench.see-joined-half-whole-half"));
        keys.put("W", Words.of("layer-bench.before-and-after-left-of"));
        keys.put("S", Words.of("layer-bench.the-set-in-metres-entered"));
        keys.put("X", Words.of("layer-bench.keep-this-frame-as-still"));
        keys.put("K", Words.of("layer-bench.keyframe-here-of-all-that"));
        return keys;
    }
}
