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
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Step;
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
                return Words.of("layer-model.lightest-so-far");
            }
            case Source.KeptLight k -> {
                return "shadow";
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

    /// The steps a form is shown for: the layer's, and where they would be, those that every layer may as well have, so that no form moves
    /// when it is first used.
    static List<Step> shown(Shot shot, Layer l) {
        Layer graded = l.step(Exposure.class).isPresent() ? l : l.with(Exposure.NONE);
        return (lowest(shot, l) || l.step(Opacity.class).isPresent() ? graded : graded.with(Opacity.FULL)).steps();
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
        String others = mine == null ? "" : p.shots().stream().filter(s -> !s.id().equals(shot.id()) && s.setUp() != null && s.setUp().id()
                .equals(mine.id()))
                .map(s -> String.valueOf(s.number())).collect(Collectors.joining(", "));
        return others.isEmpty() ? "" : Words.of("setUp.shared", others);
    }

    /// What has to be said about a place at a moment; empty for nothing.
    static String words(Shot shot, SetPlace place, double seconds) {
        Stage stage = shot.stage();
        if (stage == null) {
            return Words.of("layer-model.without-staged-set-the-layer");
        }
        if (!new Placement(stage.pose(1600, 900), place.filmedFoot().value(), place.stand(seconds)).seen()) {
            return Words.of("layer-model.it-stands-at-the-camera");
        }
        return place.filmedFoot() instanceof Given.Assumed<Vec> a ? Words.of("layer-model.its-size-in-the-picture", Words.assumed(a.why()))
                : "";
    }
}
