package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.shot.step.Cast;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.Extend;
import org.scenothesis.core.shot.step.Flip;
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
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.Pin;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.shot.step.PointDriven;
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

/// The kinds of step, in the order in which steps are usually worked: each behind those it needs. A garbage matte lies before the key, so outlines have two places.
///
/// A row says what a kind is for, with what it begins, its numbers and what holds of it. The pile, the form, the command line and its help read them here.
public enum StepKind {
    STEADY(Steady.class, Purpose.PLACE, (s, l) -> new Steady(), List.of(), Trait.FILMED),
    OUTLINE(Outline.class, Purpose.CUT_OUT, (s, l) -> Outline.of(Layers.MIDDLE, Layers.SOFTNESS_PX), Outline.PARAMETERS, Trait.SEVERAL),
    KEY(Key.class, Purpose.CUT_OUT, (s, l) -> keyable(s, l) ? new Key(KeySettings.DEFAULT) : null, Key.PARAMETERS, Trait.FILMED, Trait.TREATMENT),
    LUMA(Luma.class, Purpose.CUT_OUT, (s, l) -> Luma.LIGHT, Luma.PARAMETERS, Trait.TREATMENT),
    DIFFERENCE(Difference.class, Purpose.CUT_OUT, (s, l) -> Layers.clean(s, l).map(Difference::from).orElse(null), Difference.PARAMETERS, Trait.FILMED),
    OWN_ALPHA(OwnAlpha.class, Purpose.CUT_OUT, (s, l) -> new OwnAlpha(), List.of(), Trait.FILMED, Trait.TREATMENT),
    GRADE(Grade.class, Purpose.LOOK, (s, l) -> Grade.NONE, Grade.PARAMETERS, Trait.TREATMENT),
    TONE(Tone.class, Purpose.LOOK, (s, l) -> Tone.NEUTRAL, Tone.PARAMETERS, Trait.TREATMENT),
    SOFTEN(Soften.class, Purpose.LOOK, (s, l) -> Soften.LITTLE, Soften.PARAMETERS, Trait.TREATMENT),
    LENS(Lens.class, Purpose.PLACE, (s, l) -> Lens.STRAIGHT, Lens.PARAMETERS),
    WARP(Warp.class, Purpose.PLACE, (s, l) -> Warp.FRESH, List.of(), Trait.KEYED_BY_HAND),
    RIPPLE(Ripple.class, Purpose.PLACE, (s, l) -> Ripple.FRESH, Ripple.PARAMETERS, Trait.KEYED_BY_HAND),
    GRAIN(Grain.class, Purpose.LOOK, (s, l) -> Grain.FINE, Grain.PARAMETERS, Trait.TREATMENT),
    FLIP(Flip.class, Purpose.PLACE, (s, l) -> Flip.ABOUT_THE_MIDDLE, Flip.PARAMETERS),
    PIN(Pin.class, Purpose.PLACE, (s, l) -> Pin.FRESH, List.of(), Trait.KEYED_BY_HAND),
    JOIN(Join.class, Purpose.PLACE, (s, l) -> Join.FRESH, Join.PARAMETERS, Trait.FILMED, Trait.KEYED_BY_HAND),
    EXTEND(Extend.class, Purpose.PLACE, (s, l) -> l.keyed() ? null : Extend.HEADROOM, Extend.PARAMETERS),
    PUT(Put.class, Purpose.PLACE, (s, l) -> Put.AS_FILMED, Put.PARAMETERS, Trait.MOVES, Trait.KEYED_BY_HAND),
    WOBBLE(Wobble.class, Purpose.PLACE, (s, l) -> Wobble.CALM, Wobble.PARAMETERS, Trait.WHOLE),
    HOLD(Hold.class, Purpose.PLACE, (s, l) -> null, List.of()),
    FOLLOW(Follow.class, Purpose.PLACE, (s, l) -> null, List.of(), Trait.MOVES),
    PLACE(Place.class, Purpose.PLACE, (s, l) -> Place.asFilmed(s.somewhere()), Place.PARAMETERS, Trait.FILMED, Trait.MOVES, Trait.KEYED_BY_HAND),
    SHADOW(Shadow.class, Purpose.LIGHT, (s, l) -> l.step(Place.class).isPresent() ? Shadow.OF_STAGE : null, Shadow.PARAMETERS, Trait.FILMED),
    CAST(Cast.class, Purpose.LIGHT, (s, l) -> Cast.FRESH, Cast.PARAMETERS, Trait.FILMED, Trait.KEYED_BY_HAND),
    WRAP(Wrap.class, Purpose.LIGHT, (s, l) -> Wrap.LITTLE, Wrap.PARAMETERS, Trait.FILMED, Trait.TREATMENT),
    GLOW(Glow.class, Purpose.LIGHT, (s, l) -> Glow.WARM, Glow.PARAMETERS, Trait.FILMED, Trait.TREATMENT),
    LETTERBOX(Letterbox.class, Purpose.CUT_OUT, (s, l) -> Letterbox.WIDE, Letterbox.PARAMETERS, Trait.WHOLE),
    PRESENCE(Presence.class, Purpose.CUT_OUT, (s, l) -> Presence.FULL, Presence.PARAMETERS);

    /// What a step is for.
    public enum Purpose {
        CUT_OUT,
        LOOK,
        PLACE,
        LIGHT
    }

    /// What may hold of a kind.
    public enum Trait {
        /// A layer may have several.
        SEVERAL,
        /// Needs something filmed for the layer alone.
        FILMED,
        /// For the shot as a whole and nothing else.
        WHOLE,
        /// Is treatment and not place, time or shape: what siblings can share.
        TREATMENT,
        /// Moves the layer, so that halves that share it stay together.
        MOVES,
        /// Gets a keyframe by the key for one, with all else that is moved by hand.
        KEYED_BY_HAND
    }

    /// With what a kind begins; null where the layer cannot have it.
    @FunctionalInterface
    private interface Beginning {
        @Nullable Step of(Shot shot, Layer layer);
    }

    private final Class<? extends Step> type;
    private final Purpose purpose;
    private final Beginning beginning;
    private final List<? extends Parameter<?>> parameters;
    private final List<Trait> traits;

    StepKind(Class<? extends Step> type, Purpose purpose, Beginning beginning, List<? extends Parameter<?>> parameters, Trait... traits) {
        this.type = type;
        this.purpose = purpose;
        this.beginning = beginning;
        this.parameters = parameters;
        this.traits = List.of(traits);
    }

    /// The kind of a step.
    public static StepKind of(Step step) {
        return switch (step) {
            case Steady s -> STEADY;
            case Outline o -> OUTLINE;
            case Key k -> KEY;
            case Luma l -> LUMA;
            case Difference d -> DIFFERENCE;
            case OwnAlpha a -> OWN_ALPHA;
            case Grade g -> GRADE;
            case Tone t -> TONE;
            case Soften s -> SOFTEN;
            case Lens l -> LENS;
            case Warp w -> WARP;
            case Ripple r -> RIPPLE;
            case Grain g -> GRAIN;
            case Flip f -> FLIP;
            case Pin p -> PIN;
            case Join j -> JOIN;
            case Extend e -> EXTEND;
            case Put p -> PUT;
            case Wobble w -> WOBBLE;
            case Hold h -> HOLD;
            case Follow f -> FOLLOW;
            case Place p -> PLACE;
            case Shadow s -> SHADOW;
            case Cast c -> CAST;
            case Wrap w -> WRAP;
            case Glow g -> GLOW;
            case Letterbox l -> LETTERBOX;
            case Presence p -> PRESENCE;
        };
    }

    /// All kinds of which something holds.
    public static List<StepKind> with(Trait trait) {
        return Arrays.stream(values()).filter(k -> k.has(trait)).toList();
    }

    /// The record of its steps.
    public Class<? extends Step> type() {
        return type;
    }

    /// For what it is offered.
    public Purpose purpose() {
        return purpose;
    }

    /// Whether something holds of it.
    public boolean has(Trait trait) {
        return traits.contains(trait);
    }

    /// The step as it is put into a layer of a shot; empty where that has it already or cannot have it.
    public Optional<Step> addable(Shot shot, Layer layer) {
        boolean whole = layer.source() instanceof Source.Below;
        boolean fits = whole ? !has(Trait.FILMED) : !has(Trait.WHOLE);
        return fits && (has(Trait.SEVERAL) || layer.step(type).isEmpty()) ? Optional.ofNullable(beginning.of(shot, layer)) : Optional.empty();
    }

    /// What can be set of a step by a number, with unit and bounds, in the order it is shown: numbers of its kind, then those of the points that lead it. Whoever shows them knows how many points
    /// there are.
    public static List<? extends Parameter<?>> parameters(Step step) {
        List<? extends Parameter<?>> own = numbers(step);
        if (!(step instanceof PointDriven led)) {
            return own;
        }
        List<Parameter<?>> out = new ArrayList<>(own);
        out.addAll(led.coordinates());
        return out;
    }

    static List<? extends Parameter<?>> numbers(Step step) {
        return of(step).parameters;
    }

    private static boolean keyable(Shot shot, Layer l) {
        return shot.plate(l.plate()).map(Plate::role).filter(PlateRole::keyed).isPresent();
    }
}
