package org.scenothesis.studio.layer;

import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.layer.Placement;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.step.Cast;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.Extend;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Grade;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.Hold;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Lens;
import org.scenothesis.core.shot.step.Letterbox;
import org.scenothesis.core.shot.step.Luma;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.Pin;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.shot.step.Presence;
import org.scenothesis.core.shot.step.Put;
import org.scenothesis.core.shot.step.Ripple;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Soften;
import org.scenothesis.core.shot.step.Steady;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.Tone;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.shot.step.Wobble;
import org.scenothesis.core.shot.step.Wrap;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.words.Words;

/// What the Layer bench says and offers of a layer.
final class LayerModel {
    private LayerModel() {}

    static boolean lowest(Shot shot, Layer l) {
        return !shot.layers().isEmpty() && shot.layers().getFirst().id().equals(l.id());
    }

    /// What a layer is for, by its steps.
    static String purpose(Shot shot, Layer l) {
        switch (l.source()) {
            case Source.LightGained g -> {
                return "added light";
            }
            case Source.Lightest g -> {
                return "lightest so far";
            }
            case Source.Below b -> {
                return "all below";
            }
            case Source.OfPlate p -> {
                // By its steps.
            }
        }
        return l.keyed() ? "element" : lowest(shot, l) ? "base" : "patch";
    }

    /// The steps a form is shown for: the layer's, and where they would be, those that every layer may as well have, so that no form moves when it is first used.
    static List<Step> shown(Shot shot, Layer l) {
        Layer graded = l.step(Grade.class).isPresent() ? l : l.with(Grade.NONE);
        return (lowest(shot, l) || l.step(Presence.class).isPresent() ? graded : graded.with(Presence.FULL)).steps();
    }

    /// What a step is for, as steps are offered.
    enum Purpose {
        COUNTS,
        LOOK,
        WHERE,
        LIGHT
    }

    static Purpose purpose(Step s) {
        return switch (s) {
            case Outline o -> Purpose.COUNTS;
            case Key k -> Purpose.COUNTS;
            case Luma u -> Purpose.COUNTS;
            case Difference d -> Purpose.COUNTS;
            case OwnAlpha a -> Purpose.COUNTS;
            case Presence p -> Purpose.COUNTS;
            case Letterbox b -> Purpose.COUNTS;
            case Grade g -> Purpose.LOOK;
            case Tone t -> Purpose.LOOK;
            case Soften x -> Purpose.LOOK;
            case Grain g -> Purpose.LOOK;
            case Steady x -> Purpose.WHERE;
            case Lens l -> Purpose.WHERE;
            case Warp w -> Purpose.WHERE;
            case Ripple r -> Purpose.WHERE;
            case Pin p -> Purpose.WHERE;
            case Join j -> Purpose.WHERE;
            case Extend e -> Purpose.WHERE;
            case Put p -> Purpose.WHERE;
            case Place p -> Purpose.WHERE;
            case Wobble w -> Purpose.WHERE;
            case Follow f -> Purpose.WHERE;
            case Hold h -> Purpose.WHERE;
            case Shadow x -> Purpose.LIGHT;
            case Cast c -> Purpose.LIGHT;
            case Wrap w -> Purpose.LIGHT;
            case Glow g -> Purpose.LIGHT;
        };
    }

    /// The names of the set-ups there are.
    static List<String> setUps(Production p) {
        return p.setUps().stream().map(SetUp::name).toList();
    }

    static @Nullable SetUp setUp(Production p, String name) {
        return p.setUps().stream().filter(s -> s.name().equals(name)).findFirst().orElse(null);
    }

    /// Who else is filmed with the set-up of a shot; empty for nobody.
    static String sharing(Production p, Shot shot) {
        SetUp mine = shot.setUp();
        String others = mine == null ? "" : p.shots().stream().filter(s -> !s.id().equals(shot.id()) && s.setUp() != null && s.setUp().id().equals(mine.id()))
                .map(s -> String.valueOf(s.number())).collect(Collectors.joining(", "));
        return others.isEmpty() ? "" : Words.of("setUp.shared", others);
    }

    /// What has to be said about a place at a moment; empty for nothing.
    static String words(Shot shot, Place place, double seconds) {
        Stage stage = shot.stage();
        if (stage == null) {
            return "Without a staged set the layer stays where it was filmed.";
        }
        if (!new Placement(stage.pose(1600, 900), place.filmedFoot().value(), place.stand(seconds)).seen()) {
            return "It stands at the camera or behind it, and is not seen.";
        }
        return place.filmedFoot() instanceof Given.Assumed<Vec> a ? Words.assumed(a.why()) + " Its size in the picture follows from an assumed place." : "";
    }
}
