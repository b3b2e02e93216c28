package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Kind;

/// What is done to the pile of a shot's layers, bottom first.
public final class Layers {
    /// How softly a new outline ends.
    public static final double SOFTNESS_PX = 4;
    /// How long a frozen patch is there at first, in seconds.
    public static final double FROZEN_S = 1;
    /// Most of the picture: something to be pulled at.
    public static final List<Point> MIDDLE = List.of(new Point(0.3, 0.2), new Point(0.7, 0.2), new Point(0.7, 0.8), new Point(0.3, 0.8));

    private Layers() {}

    /// The clean plate that a layer may be compared with; empty if there is none but its own.
    static Optional<String> clean(Shot shot, Layer l) {
        return shot.plateOf(PlateRole.CLEAN).map(Plate::id).filter(p -> !p.equals(l.plate()));
    }

    /// The layer with a step more: in place of the one of its kind, but outlines are added to those there are.
    public static Layer more(Layer l, Step step) {
        if (!(step instanceof Outline) || l.step(Outline.class).isEmpty()) {
            return l.with(step);
        }
        List<Step> out = new ArrayList<>(l.steps());
        int last = 0;
        for (int i = 0; i < out.size(); i++) {
            last = out.get(i) instanceof Outline ? i + 1 : last;
        }
        out.add(last, step);
        return l.withSteps(out);
    }

    /// Where a layer may have its picture from, as words.
    public static List<String> sources(Shot shot, Layer l) {
        if (l.source() instanceof Source.Below) {
            return List.of(Kind.word(Source.Below.class));
        }
        List<String> out = new ArrayList<>(List.of(Kind.word(Source.OfPlate.class), Kind.word(Source.Lightest.class)));
        if (clean(shot, l).isPresent()) {
            out.add(Kind.word(Source.LightGained.class));
        }
        if (onCloth(shot, l.plate())) {
            out.add(Kind.word(Source.KeptLight.class));
        }
        return out;
    }

    /// The layer with its picture from elsewhere, as one of those words says; empty for another word.
    public static Optional<Layer> sourced(Shot shot, Layer l, String word) {
        if (!sources(shot, l).contains(word)) {
            return Optional.empty();
        }
        return Optional.of(switch (word) {
            case "lightest" -> l.withSource(new Source.Lightest(l.plate()));
            case "light-gained" -> l.withSource(new Source.LightGained(l.plate(), clean(shot, l).orElseThrow())).withBlend(Blend.ADD);
            case "plate" -> l.withSource(new Source.OfPlate(l.plate())).withBlend(l.blend() == Blend.MULTIPLY ? Blend.OVER : l.blend());
            case "kept-light" -> l.withSource(new Source.KeptLight(l.plate())).withBlend(Blend.MULTIPLY)
                    .withSteps(l.steps().stream().filter(s -> !(s instanceof Key)).toList());
            default -> l;
        });
    }

    private static boolean onCloth(Shot shot, String plate) {
        return shot.plate(plate).map(Plate::role).filter(PlateRole::keyed).isPresent();
    }

    /// The plates of a shot whose subject throws a shadow on a cloth that can be laid apart.
    public static List<Plate> shadowing(Shot shot) {
        return shot.plates().stream().filter(p -> p.chosen() != null && p.role().keyed()).toList();
    }

    /// The shot with the shadow of a plate on its cloth as a layer of its own, under the lowest layer of that plate, else on top of all.
    public static Shot shadowed(Shot shot, Layer shadow) {
        List<Layer> all = new ArrayList<>(shot.layers());
        int at = 0;
        while (at < all.size() && (at == 0 || !all.get(at).plate().equals(shadow.plate()))) {
            at++;
        }
        all.add(at, shadow);
        return shot.withLayers(all);
    }

    /// Such a layer of a plate.
    public static Layer shadow(Shot shot, Plate plate) {
        return new Layer(free(shot, plate.id() + "-shadow"), plate.name() + ", shadow", true, new Source.KeptLight(plate.id()),
                TimeMap.AS_FILMED, List.of(), Blend.MULTIPLY);
    }

    /// A layer for the shot as a whole, above all that is there.
    public static Layer whole(Shot shot) {
        return Layer.whole(free(shot, "whole"), "whole shot", HandHeld.CALM);
    }

    /// The steps that a layer has not yet and may have, as they are put in.
    public static List<Step> addable(Shot shot, Layer l) {
        return Arrays.stream(StepKind.values()).flatMap(k -> k.addable(shot, l).stream()).toList();
    }

    /// The layer a plate is laid as when nothing more is said: keyed if it was filmed on a screen, as gained light if it is a light pass
    /// over a clean plate, screened if it was filmed on black, else as it is. Its id is one that no layer of the shot has.
    public static Layer fresh(Shot shot, Plate plate) {
        String id = free(shot, plate.id());
        Optional<Plate> clean = shot.plateOf(PlateRole.CLEAN);
        if (plate.role() == PlateRole.LIGHT_PASS && clean.isPresent()) {
            return Layer.light(id, plate.name(), plate.id(), clean.get().id());
        }
        Layer l = Layer.of(id, plate.name(), plate.id());
        return plate.role().keyed() ? l.with(new Key(KeySettings.DEFAULT)) : plate.role() == PlateRole.ON_BLACK ? l.withBlend(Blend.SCREEN)
                : l;
    }

    private static String free(Shot shot, String wanted) {
        String id = wanted;
        for (int i = 2; shot.layer(id).isPresent(); i++) {
            id = wanted + "-" + i;
        }
        return id;
    }

    /// The shot with a layer on top of all.
    public static Shot added(Shot shot, Layer layer) {
        List<Layer> more = new ArrayList<>(shot.layers());
        more.add(layer);
        return shot.withLayers(more);
    }

    /// The shot with a layer moved up (positive) or down in the pile, no further than it goes; the same if it has no such layer.
    public static Shot moved(Shot shot, String id, int by) {
        List<Layer> all = new ArrayList<>(shot.layers());
        Optional<Layer> l = shot.layer(id);
        if (l.isEmpty()) {
            return shot;
        }
        int at = all.indexOf(l.get());
        all.remove(at);
        all.add(Math.clamp(at + by, 0, all.size()), l.get());
        return shot.withLayers(all);
    }

    /// The shot with a copy of a layer above it, or the same if it has no such layer.
    public static Shot copied(Shot shot, String id) {
        Optional<Layer> l = shot.layer(id);
        if (l.isEmpty()) {
            return shot;
        }
        String copy = free(shot, id);
        List<Layer> all = new ArrayList<>(shot.layers());
        all.add(all.indexOf(l.get()) + 1, l.get().withId(copy).withName(l.get().name() + " again"));
        return shot.withLayers(all);
    }

    /// The shot with a frozen patch above a layer: its frame at a moment, in seconds, held within an outline for [#FROZEN_S]; to hide what
    /// happens there meanwhile. The same if it has no such layer.
    public static Shot frozen(Shot shot, String id, double at) {
        Optional<Layer> l = shot.layer(id).filter(x -> !(x.source() instanceof Source.Below));
        if (l.isEmpty()) {
            return shot;
        }
        Layer held = l.get().withId(free(shot, id)).withName(l.get().name() + ", frozen")
                .withTime(new TimeMap.Held(Math.max(0, l.get().time().at(at)))).without(Opacity.class);
        Layer patch = ending(beginning(more(held, Outline.of(MIDDLE, SOFTNESS_PX)), at), Math.max(at, 0) + FROZEN_S);
        List<Layer> all = new ArrayList<>(shot.layers());
        all.add(all.indexOf(l.get()) + 1, patch);
        return shot.withLayers(all);
    }

    /// The shot less a layer.
    public static Shot without(Shot shot, String id) {
        return shot.withLayers(shot.layers().stream().filter(l -> !l.id().equals(id)).toList());
    }

    /// The shot with one layer treated as another is: its key, its own alpha, grade and grain; place, time, shape and presence stay each
    /// its own. A layer that is not keyed gets no key: there would be no screen for it.
    public static Shot treated(Shot shot, String from, String to) {
        Optional<Layer> model = shot.layer(from);
        return model.isEmpty() ? shot : shot.withLayer(to, l -> {
            Layer out = l;
            for (StepKind kind : StepKind.with(StepKind.Trait.TREATMENT)) {
                boolean gets = kind != StepKind.KEY || l.keyed();
                Optional<? extends Step> step = model.get().step(kind.type());
                out = !gets ? out : step.isPresent() ? out.with(step.get()) : kind == StepKind.KEY ? out : out.without(kind.type());
            }
            return out;
        });
    }

    /// The shot with one layer moved as another is, so that halves stay together: in the picture, on the set, along with what was followed.
    public static Shot movedAlike(Shot shot, String from, String to) {
        Optional<Layer> model = shot.layer(from);
        return model.isEmpty() ? shot : shot.withLayer(to, l -> {
            Layer out = l;
            for (StepKind kind : StepKind.with(StepKind.Trait.MOVES)) {
                Optional<? extends Step> step = model.get().step(kind.type());
                out = step.isPresent() ? out.with(step.get()) : out.without(kind.type());
            }
            return out;
        });
    }

    /// The shot as if only one layer were on; what is below it is black.
    public static Shot alone(Shot shot, String id) {
        return shot.withLayers(shot.layers().stream().map(l -> l.withOn(l.id().equals(id))).toList());
    }

    /// A stretch of the shot, in seconds.
    public record Stretch(double from, double to) {}

    /// From when to when there is anything of a layer, looked at in steps of a frame; all of the shot if there never is.
    public static Stretch there(Layer l, double seconds, double rate) {
        int frames = Math.max(1, (int) Math.round(seconds * rate));
        int first = 0;
        while (first < frames && l.presence(first / rate) <= 0) {
            first++;
        }
        int last = frames - 1;
        while (last > first && l.presence(last / rate) <= 0) {
            last--;
        }
        return first == frames ? new Stretch(0, seconds) : new Stretch(first / rate, Math.min(seconds, (last + 1) / rate));
    }

    /// The layer absent until a moment of the shot, in seconds.
    public static Layer beginning(Layer l, double seconds) {
        return l.with(Opacity.FULL, p -> p.beginning(seconds));
    }

    /// The layer absent from a moment of the shot on, in seconds.
    ///
    /// @throws IllegalArgumentException if nothing of it would be left
    public static Layer ending(Layer l, double seconds) {
        Check.that(seconds > Animated.SAME_S, "a layer must end behind where it begins");
        return l.with(Opacity.FULL, p -> p.ending(seconds));
    }

    /// The layer later in the shot by seconds, with all its keys; its take stays with it.
    public static Layer later(Layer l, double by) {
        Animated.Change move = new Animated.Change() {
            @Override
            public <T> Animated<T> of(Animated<T> value, Animated.Between<T> between) {
                return value.later(by);
            }
        };
        TimeMap time = switch (l.time()) {
            case TimeMap.Straight s -> new TimeMap.Straight(s.fromSeconds() - by * s.rate(), s.rate());
            case TimeMap.Held h -> h;
            case TimeMap.Looped o -> o;
        };
        return l.withTime(time).withSteps(l.steps().stream().map(s -> Keys.changed(s, move)).toList());
    }
}
