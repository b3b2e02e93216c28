package org.scenothesis.studio.layer;

import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.layer.Placement;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.shot.Ease;
import org.scenothesis.core.shot.Keyframe;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.SetPlan;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// The numbers of the chosen layer at the playhead, as tapes: place, presence, shadow and light.
final class LayerProperties extends VBox {
    private final Consumer<Shot> moving;
    private final BiConsumer<String, UnaryOperator<Shot>> done;
    private Shot shot;
    private String layer = "";
    private double at;

    /// - `moving`: the shot as it would be, while a number is dragged; `done`: what changes once it is let go.
    LayerProperties(Shot shot, Consumer<Shot> moving, BiConsumer<String, UnaryOperator<Shot>> done) {
        super(6);
        this.shot = shot;
        this.moving = moving;
        this.done = done;
    }

    /// Changes the element's state at `seconds`: the keyframe there, or a new one.
    static UnaryOperator<Layer> keyed(double seconds, UnaryOperator<Keyframe> change) {
        return l -> {
            Keyframe now = l.stateAt(seconds);
            return l.withKeyframe(change.apply(new Keyframe(seconds, now.foot(), now.turnDeg(), now.size(), now.presence(), now.ease())));
        };
    }

    private void accept(String what, UnaryOperator<Layer> change) {
        String id = layer;
        done.accept(what, s -> s.withLayer(id, change));
    }

    /// The numbers of a layer at a moment; null for none.
    void show(Shot ofShot, @Nullable Layer l, double atSeconds) {
        shot = ofShot;
        at = atSeconds;
        layer = l == null ? "" : l.id();
        // A field being typed in must not be taken away under the hand.
        if (getScene() != null && getScene().getFocusOwner() instanceof TextField f && inside(f)) {
            requestFocus();
        }
        getChildren().clear();
        if (l == null) {
            return;
        }
        getChildren().add(Text.of(l.name() + " at " + Words.time(at), "heading"));
        Keyframe k = l.stateAt(at);
        if (l.kind() == Layer.Kind.ELEMENT) {
            place(k);
            shadow(l);
        }
        if (l.kind() != Layer.Kind.BASE) {
            tape("presence", "", 0, 1, 0.05, 2, "0 is absent, 1 is fully there", k.presence(), v -> keyed(at, s -> s.present(v)));
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
            if (p == this) {
                return true;
            }
        }
        return false;
    }

    private void place(Keyframe k) {
        if (shot.plan() == null) {
            getChildren().add(Text.block("Without a staged set the element stays where it was filmed.", "muted", "small"));
            return;
        }
        if (!new Placement(shot.plan().pose(1600, 900), shot.layer(layer).orElseThrow().filmedFoot(), k).seen()) {
            getChildren().add(Text.block("It stands at the camera or behind it, and is not seen.", "strong"));
        }
        tape("sideways", "m", -50, 50, 0.01, 2, "Place of the foot, to the right", k.foot().x(), v -> keyed(at, s -> s.at(new Vec(v, s.foot().y(), s.foot().z()))));
        tape("height", "m", -10, 50, 0.01, 2, "Place of the foot above the floor", k.foot().y(), v -> keyed(at, s -> s.at(new Vec(s.foot().x(), v, s.foot().z()))));
        tape("away", "m", -50, 100, 0.01, 2, "Place of the foot, away from the camera", k.foot().z(), v -> keyed(at, s -> s.at(new Vec(s.foot().x(), s.foot().y(), v))));
        tape("turn", "\u00b0", -180, 180, 0.5, 1, "Clockwise in the picture", k.turnDeg(), v -> keyed(at, s -> s.turned(v)));
        tape("size", "\u00d7", 0.05, 20, 0.01, 2, "Against its real size", k.size(), v -> keyed(at, s -> s.sized(v)));
    }

    private void shadow(Layer l) {
        SetPlan plan = shot.plan();
        if (plan == null) {
            return;
        }
        check("shadow from the plan's light", l.shadow().on(), "shadow", v -> o -> o.withShadow(new Layer.Shadow(v, o.shadow().density(), o.shadow().softness())));
        tape("shadow density", "\u00d7", 0, 3, 0.05, 2, "Against key and fill of the plan", l.shadow().density(),
                v -> o -> o.withShadow(new Layer.Shadow(o.shadow().on(), v, o.shadow().softness())));
        tape("shadow softness", "\u00d7", 0, 5, 0.05, 2, "Against the size of the plan's light", l.shadow().softness(),
                v -> o -> o.withShadow(new Layer.Shadow(o.shadow().on(), o.shadow().density(), v)));
        SetPlan.Light light = plan.light();
        light("light side", "\u00b0", -180, 180, 1, light.asSeen(plan.panDeg()), v -> light.seenAt(v, plan.panDeg()));
        light("light height", "\u00b0", 1, 90, 1, light.elevationDeg(), v -> new SetPlan.Light(light.azimuthDeg(), v, light.sizeDeg(), light.keyToFillStops()));
        light("light size", "\u00b0", 0, 120, 1, light.sizeDeg(), v -> new SetPlan.Light(light.azimuthDeg(), light.elevationDeg(), v, light.keyToFillStops()));
        light("key to fill", "stop", 0, 12, 0.1, light.keyToFillStops(), v -> new SetPlan.Light(light.azimuthDeg(), light.elevationDeg(), light.sizeDeg(), v));
    }

    private interface LightOf {
        SetPlan.Light of(double v);
    }

    private void light(String name, String unit, double low, double high, double step, double now, LightOf of) {
        var parameter = new Tape.Parameter(name, unit, low, high, step, 1, "Of the staged set, for all elements");
        Tape t = new Tape(parameter, v -> moving.accept(withLight(shot, of.of(v))), v -> done.accept(name, s -> withLight(s, of.of(v))));
        t.show(now);
        getChildren().add(t);
    }

    private static Shot withLight(Shot s, SetPlan.Light light) {
        SetPlan p = s.plan();
        return p == null ? s : s.withPlan(p.withLight(light));
    }

    private void keyframes(Layer l) {
        boolean here = l.keyframes().stream().anyMatch(k -> Math.abs(k.seconds() - at) < 0.02);
        Button set = Text.button(here ? "take keyframe away" : "set keyframe here", "floor-button", () -> accept(
                here ? "take a keyframe away" : "set a keyframe",
                here ? o -> o.withKeyframes(o.keyframes().stream().filter(k -> Math.abs(k.seconds() - at) >= 0.02).toList()) : keyed(at, k -> k)));
        set.setId("keyframe");
        HBox row = new HBox(6, set);
        if (here) {
            Keyframe k = l.stateAt(at);
            Ease next = Ease.values()[(k.ease().ordinal() + 1) % Ease.values().length];
            row.getChildren().add(Text.button("ease: " + k.ease().name().toLowerCase(Locale.ROOT), "floor-button", () -> accept(
                    "ease", keyed(at, s -> new Keyframe(s.seconds(), s.foot(), s.turnDeg(), s.size(), s.presence(), next)))));
        }
        getChildren().add(row);
    }

    private interface Change {
        UnaryOperator<Layer> of(double v);
    }

    private void tape(String name, String unit, double low, double high, double step, int decimals, String help, double now, Change change) {
        Tape t = new Tape(new Tape.Parameter(name, unit, low, high, step, decimals, help), v -> moving.accept(shot.withLayer(layer, change.of(v))), v -> accept(name, change.of(v)));
        t.field().setId("tape-" + name.replace(' ', '-'));
        t.show(now);
        getChildren().add(t);
    }

    private interface Switch {
        UnaryOperator<Layer> of(boolean v);
    }

    private void check(String words, boolean now, String id, Switch change) {
        CheckBox c = new CheckBox(words);
        c.setSelected(now);
        c.setId("check-" + id);
        c.setOnAction(e -> accept(words, change.of(c.isSelected())));
        getChildren().add(c);
    }
}
