package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.OutlineEditor;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;

/// The finished picture; the layers; the chosen element's place in metres, time, shadow and light.
public final class LayerBench extends Bench {
    private final PictureView picture = new PictureView("");
    private final TimeStrip strip = new TimeStrip();
    private final PlanView above = new PlanView(true);
    private final PlanView side = new PlanView(false);
    private final VBox list = new VBox();
    private final LayerProperties properties;
    private final OutlineEditor outline = new OutlineEditor(picture, this::outlined);
    private @Nullable String chosen;
    private @Nullable Shot previewed;
    private @Nullable ShotRenderer renderer;
    private @Nullable Measured rendererOf;

    public LayerBench(Session session) {
        super(session, BenchName.LAYER, new HBox(12));
        properties = new LayerProperties(session.shot(), session.store()::now, this::preview, this::accept);
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
        for (PlanView plan : List.of(above, side)) {
            plan.whenMoved(v -> preview(moved(v).apply(session.shot())), v -> accept("move " + layerName(), moved(v)));
        }
        session.seconds().addListener(o -> {
            if (inView()) {
                strip.at(session.seconds().get());
                plans();
                properties.show(session.shot(), layer(), session.seconds().get());
                outline();
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
                "outline of " + layerName(), s -> s.withLayer(l.id(), o -> o.with(Outline.of(corners, LayerModel.SOFTNESS_PX), x -> x.withCorners(at, corners)))));
    }

    private void outline() {
        outline.show(outlinable().flatMap(l -> l.step(Outline.class)).map(o -> o.at(session.seconds().get())).orElse(List.of()));
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
        strip.ticks(l == null ? List.of() : l.keyTimes());
        strip.at(session.seconds().get());
        plans();
        properties.show(shot, l, session.seconds().get());
        outline();
        frame();
    }

    private void begin() {
        session.change("put the clean plate down", s -> s.withLayers(
                s.plateOf(PlateRole.CLEAN).map(c -> List.of(Layer.of("base", c.name(), c.id()))).orElse(List.of())));
    }

    private static Spike spike(Shot shot, Layer l) {
        return shot.plate(l.plate()).map(Plate::spike).orElse(Spike.T);
    }

    private Region row(Shot shot, Layer l) {
        CheckBox on = new CheckBox();
        on.setSelected(l.on());
        on.setId("on-" + l.id());
        on.setAccessibleText(l.name() + " on");
        on.setDisable(LayerModel.lowest(shot, l));
        on.setOnAction(e -> session.changeLayer(l.on() ? "switch off " + l.name() : "switch on " + l.name(), l.id(), o -> o.withOn(on.isSelected())));
        Label kind = Text.of(LayerModel.purpose(shot, l), "muted", "small");
        Label name = Text.of(l.name(), "strong");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(8, on, new SpikeMark(spike(shot, l), 13), name, kind);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("take-row");
        row.setId("layer-" + l.id());
        Layer now = layer();
        row.pseudoClassStateChanged(PseudoClass.getPseudoClass("chosen"), now != null && now.id().equals(l.id()));
        row.setFocusTraversable(true);
        Runnable choose = () -> {
            chosen = l.id();
            refresh();
        };
        row.setOnMouseClicked(e -> choose.run());
        row.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                choose.run();
            }
        });
        return row;
    }

    private void plans() {
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
                    return DisplayPicture.of(p, w, h, session.bands());
                },
                picture::show,
                e -> picture.say(String.valueOf(e.getMessage())));
        picture.name("Frame " + session.frame());
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
