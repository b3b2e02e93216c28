package org.scenothesis.studio.layer;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Keys;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.LayerGestures;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.StepKind;
import org.scenothesis.core.shot.StepMotions;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.core.shot.step.PointDriven;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Kind;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.OutlineEditor;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.PointHandles;

/// What of the chosen layer is pulled in the picture: its outlines, the points that lead its steps, and where it is put.
final class LayerHandles {
    private final Session session;
    private final PictureView picture;
    private final Supplier<@Nullable Layer> layer;
    private final Consumer<Shot> preview;
    private final BiConsumer<String, UnaryOperator<Shot>> accept;
    private final OutlineEditor outline;
    private final PointHandles pins;
    private final FrameHandles handles;
    private Optional<LayerGestures.Hand> hand = Optional.empty();
    private @Nullable Layer before;

    /// - `preview`: the shot as it would be, while something is pulled; `accept`: what changes once it is let go, and what that is called.
    LayerHandles(Session session, PictureView picture, Supplier<@Nullable Layer> layer, Consumer<Shot> preview,
            BiConsumer<String, UnaryOperator<Shot>> accept) {
        this.session = session;
        this.picture = picture;
        this.layer = layer;
        this.preview = preview;
        this.accept = accept;
        outline = new OutlineEditor(picture, this::outlined);
        pins = new PointHandles(picture, "pin-", this::pulled, this::pinned);
        handles = new FrameHandles(picture, p -> preview.accept(put(p).apply(session.shot())),
                p -> accept.accept("move " + name(), put(p)));
    }

    /// Nothing is in hand any more.
    void rest() {
        hand = Optional.empty();
    }

    /// Draws what can be pulled of the layer at the playhead.
    void show() {
        Layer l = layer.get();
        hand = l == null ? Optional.empty() : added(l).or(() -> hand.filter(LayerGestures.of(l)::contains));
        before = l;
        outline();
        handles();
    }

    /// Nothing of the layer is pulled now.
    void hide() {
        pins.hide();
        outline.show(List.of());
        handles.show(null, 0, session.rate(), PlanarMap.identity());
    }

    /// What was just added to the layer is what one wants to pull.
    private Optional<LayerGestures.Hand> added(Layer l) {
        Layer was = before;
        if (was == null || !was.id().equals(l.id()) || l.steps().size() != was.steps().size() + 1) {
            return Optional.empty();
        }
        int at = 0;
        while (at < was.steps().size() && was.steps().get(at).equals(l.steps().get(at))) {
            at++;
        }
        int step = at;
        return LayerGestures.of(l).stream().filter(h -> h.step() == step).findFirst();
    }

    /// A key of the bench; true if it was one.
    boolean key(KeyCode code) {
        switch (code) {
            case M -> byHand(FramePlace.AS_FILMED, handles::focus);
            case Q -> byHand(PinnedCorners.FRESH, pins::focus);
            case K -> keyframe();
            case H -> next();
            default -> {
                return false;
            }
        }
        return true;
    }

    private String name() {
        Layer l = layer.get();
        return l == null ? "" : l.name().toLowerCase(Locale.ROOT);
    }

    /// What is drawn on the picture: what was taken in hand, else the layer's first outline; a garbage matte is drawn on its screen, on
    /// Key, and the base has none.
    private Optional<LayerGestures.Hand> outlined(Layer l) {
        if (hand.isPresent()) {
            return hand.filter(h -> LayerGestures.outline(l, h, 0).isPresent());
        }
        boolean none = l.keyed() || LayerModel.lowest(session.shot(), l);
        return none ? Optional.empty() : LayerGestures.of(l).stream().filter(h -> LayerGestures.outline(l, h, 0).isPresent()).findFirst();
    }

    /// The points that lead a step: of the one in hand, else the first.
    private Optional<LayerGestures.Hand> led(Layer l) {
        return hand.isPresent() ? hand.filter(h -> LayerGestures.outline(l, h, 0).isEmpty()) : LayerGestures.of(l).stream()
                .filter(h -> LayerGestures.outline(l, h, 0).isEmpty()).findFirst();
    }

    private PlanarMap carried(Layer l, LayerGestures.Hand h) {
        return StepMotions.carried(session.shot(), l, h.step(), session.seconds().get(), aspect());
    }

    private double aspect() {
        return picture.overlay().getHeight() <= 0 ? 16 / 9.0 : picture.overlay().getWidth() / picture.overlay().getHeight();
    }

    private void outlined(List<Point> corners) {
        Layer l = layer.get();
        if (l == null) {
            return;
        }
        Optional<LayerGestures.Hand> h = outlined(l);
        double at = session.seconds().get();
        if (h.isPresent()) {
            List<Point> to = LayerGestures.mapped(corners, carried(l, h.get()).inverse());
            accept.accept("outline of " + name(), s -> s.withLayer(l.id(), o -> LayerGestures.moved(o, h.get(), at, to)));
        } else if (!l.keyed() && !LayerModel.lowest(session.shot(), l)) {
            accept.accept("outline of " + name(),
                    s -> s.withLayer(l.id(), o -> o.with(Outline.of(corners, Layers.SOFTNESS_PX), x -> x.withCorners(at, corners))));
        }
    }

    private void outline() {
        Layer l = layer.get();
        Optional<LayerGestures.Hand> h = l == null ? Optional.empty() : outlined(l);
        outline.show(l == null || h.isEmpty() ? List.of() : LayerGestures.mapped(LayerGestures.outline(l, h.get(), session.seconds().get())
                .orElse(List.of()), carried(l, h.get())));
    }

    private void pulled(List<Point> points) {
        Layer l = layer.get();
        Optional<LayerGestures.Hand> h = l == null ? Optional.empty() : led(l);
        if (l != null && h.isPresent()) {
            List<Point> to = led(l, h.get(), points);
            preview.accept(session.shot().withLayer(l.id(), o -> LayerGestures.moved(o, h.get(), session.seconds().get(), to)));
        }
    }

    private void pinned(List<Point> points) {
        Layer l = layer.get();
        Optional<LayerGestures.Hand> h = l == null ? Optional.empty() : led(l);
        if (l == null || h.isEmpty()) {
            return;
        }
        double at = session.seconds().get();
        List<Point> to = led(l, h.get(), points);
        Layer moved = LayerGestures.moved(l, h.get(), at, to);
        if (moved.equals(l)) {
            session.say(Words.of("layer-handles.the-points-cannot-lie-so"));
            pins.hide();
            handles();
            preview.accept(session.shot());
        } else {
            accept.accept("points of " + name(), s -> s.withLayer(l.id(), o -> LayerGestures.moved(o, h.get(), at, to)));
        }
    }

    /// The points as they were pulled, where the step has them.
    private List<Point> led(Layer l, LayerGestures.Hand h, List<Point> pulledTo) {
        List<Point> to = LayerGestures.mapped(pulledTo, carried(l, h).inverse());
        List<Point> before = ((PointDriven) l.steps().get(h.step())).points(session.seconds().get());
        return pins.alone() || before.size() != to.size() ? to : LayerGestures.together(before, to);
    }

    /// The next of what can be taken hold of.
    private void next() {
        Layer l = layer.get();
        if (l == null || LayerGestures.of(l).isEmpty()) {
            session.say(Words.of("layer-handles.nothing-of-this-layer-is"));
            return;
        }
        LayerGestures.Hand taken = LayerGestures.next(l, hand).orElseThrow();
        hand = Optional.of(taken);
        show();
        Step s = l.steps().get(taken.step());
        session.say("In hand: " + Words.of("step." + Kind.word(s.getClass())) + (taken.limit() ? ", its limit" : "") + ".");
        Platform.runLater(() -> {
            if (LayerGestures.outline(l, taken, 0).isPresent()) {
                outline.focus();
            } else {
                pins.focus();
            }
        });
    }

    /// Takes a step in hand that the layer has, or gets now.
    private void byHand(Step usual, Runnable focus) {
        Layer l = layer.get();
        if (l == null) {
            session.say(Words.of("layer-handles.add-plate-first-adds-the"));
            return;
        }
        if (l.step(usual.getClass()).isEmpty()) {
            session.changeLayer("take " + l.name() + " in hand", l.id(), o -> o.with(usual));
        }
        Platform.runLater(focus);
    }

    private void keyframe() {
        Layer l = layer.get();
        double at = session.seconds().get();
        if (l != null) {
            session.changeLayer("keyframe of " + l.name(), l.id(),
                    o -> o.withSteps(o.steps().stream().map(s -> StepKind.of(s).has(StepKind.Trait.KEYED_BY_HAND) ? Keys.set(s, at) : s)
                    .toList()));
        }
    }

    private UnaryOperator<Shot> put(FramePlace p) {
        Layer l = layer.get();
        return l == null ? s -> s : s -> s.withLayer(l.id(), o -> o.with(p));
    }

    private void handles() {
        Layer l = layer.get();
        double at = session.seconds().get();
        Optional<LayerGestures.Hand> h = l == null ? Optional.empty() : led(l);
        if (l == null || h.isEmpty()) {
            pins.hide();
        } else {
            PointDriven step = (PointDriven) l.steps().get(h.get().step());
            pins.show(LayerGestures.mapped(step.points(at), carried(l, h.get())), step.lines(), step.names().stream()
                    .map(n -> n.replace('-', ' ')).toList());
        }
        FramePlace put = l == null ? null : l.step(FramePlace.class).orElse(null);
        handles.show(put, at, session.rate(), l == null || put == null ? PlanarMap.identity()
                : StepMotions.carried(session.shot(), l, l.steps().indexOf(put), at, aspect()));
    }
}
