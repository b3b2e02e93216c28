package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.step.ColourGrade;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Extend;
import org.scenothesis.core.shot.step.Flip;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.LayerBlur;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.core.shot.step.Letterbox;
import org.scenothesis.core.shot.step.LockCorrection;
import org.scenothesis.core.shot.step.Luma;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.core.shot.step.PointDriven;
import org.scenothesis.core.shot.step.Ripple;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.TrackSteady;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.shot.step.Wrap;

/// The kinds of step, in the order in which steps are usually worked: each behind those it needs. A garbage matte lies before the key, so
/// outlines have two places.
///
/// A row says what a kind is for, with what it begins, its numbers and what holds of it. The pile, the form, the command line and its help
/// read them here.
public enum StepKind {
    LOCK_CORRECTION(LockCorrection.class, Purpose.PLACE, (s, l) -> new LockCorrection(), List.of(), Trait.FILMED),
    OUTLINE(Outline.class, Purpose.CUT_OUT, (s, l) -> Outline.of(Layers.MIDDLE, Layers.SOFTNESS_PX), Outline.PARAMETERS, Trait.SEVERAL),
    KEY(Key.class, Purpose.CUT_OUT, (s, l) -> keyable(s, l) ? new Key(KeySettings.DEFAULT) : null, Key.PARAMETERS, Trait.FILMED,
            Trait.TREATMENT),
    LUMA(Luma.class, Purpose.CUT_OUT, (s, l) -> Luma.LIGHT, Luma.PARAMETERS, Trait.TREATMENT),
    DIFFERENCE(Difference.class, Purpose.CUT_OUT, (s, l) -> Layers.clean(s, l).map(Difference::from).orElse(null), Difference.PARAMETERS,
            Trait.FILMED),
    OWN_ALPHA(OwnAlpha.class, Purpose.CUT_OUT, (s, l) -> new OwnAlpha(), List.of(), Trait.FILMED, Trait.TREATMENT),
    EXPOSURE(Exposure.class, Purpose.LOOK, (s, l) -> Exposure.NONE, Exposure.PARAMETERS, Trait.TREATMENT),
    COLOUR_GRADE(ColourGrade.class, Purpose.LOOK, (s, l) -> ColourGrade.NEUTRAL, ColourGrade.PARAMETERS, Trait.TREATMENT),
    LAYER_BLUR(LayerBlur.class, Purpose.LOOK, (s, l) -> LayerBlur.LITTLE, LayerBlur.PARAMETERS, Trait.TREATMENT),
    LENS_MATCH(LensMatch.class, Purpose.PLACE, (s, l) -> LensMatch.STRAIGHT, LensMatch.PARAMETERS),
    WARP(Warp.class, Purpose.PLACE, (s, l) -> Warp.FRESH, List.of(), Trait.KEYED_BY_HAND),
    RIPPLE(Ripple.class, Purpose.PLACE, (s, l) -> Ripple.FRESH, Ripple.PARAMETERS, Trait.KEYED_BY_HAND),
    GRAIN(Grain.class, Purpose.LOOK, (s, l) -> Grain.FINE, Grain.PARAMETERS, Trait.TREATMENT),
    FLIP(Flip.class, Purpose.PLACE, (s, l) -> Flip.ABOUT_THE_MIDDLE, Flip.PARAMETERS),
    PINNED_CORNERS(PinnedCorners.class, Purpose.PLACE, (s, l) -> PinnedCorners.FRESH, List.of(), Trait.KEYED_BY_HAND),
    JOIN(Join.class, Purpose.PLACE, (s, l) -> Join.FRESH, Join.PARAMETERS, Trait.FILMED, Trait.KEYED_BY_HAND),
    EXTEND(Extend.class, Purpose.PLACE, (s, l) -> l.keyed() ? null : Extend.HEADROOM, Extend.PARAMETERS),
    FRAME_PLACE(FramePlace.class, Purpose.PLACE, (s, l) -> FramePlace.AS_FILMED, FramePlace.PARAMETERS, Trait.MOVES, Trait.KEYED_BY_HAND),
    HAND_HELD(HandHeld.class, Purpose.PLACE, (s, l) -> HandHeld.CALM, HandHeld.PARAMETERS, Trait.WHOLE),
    TRACK_STEADY(TrackSteady.class, Purpose.PLACE, (s, l) -> null, List.of()),
    FOLLOW(Follow.class, Purpose.PLACE, (s, l) -> null, List.of(), Trait.MOVES),
    SET_PLACE(SetPlace.class, Purpose.PLACE, (s, l) -> SetPlace.asFilmed(s.somewhere()), SetPlace.PARAMETERS, Trait.FILMED, Trait.MOVES,
            Trait.KEYED_BY_HAND),
    SHADOW(Shadow.class, Purpose.LIGHT, (s, l) -> l.step(SetPlace.class).isPresent() ? Shadow.OF_STAGE : null, Shadow.PARAMETERS,
            Trait.FILMED),
    DRAWN_SHADOW(DrawnShadow.class, Purpose.LIGHT, (s, l) -> DrawnShadow.FRESH, DrawnShadow.PARAMETERS, Trait.FILMED, Trait.KEYED_BY_HAND),
    WRAP(Wrap.class, Purpose.LIGHT, (s, l) -> Wrap.LITTLE, Wrap.PARAMETERS, Trait.FILMED, Trait.TREATMENT),
    GLOW(Glow.class, Purpose.LIGHT, (s, l) -> Glow.WARM, Glow.PARAMETERS, Trait.FILMED, Trait.TREATMENT),
    LETTERBOX(Letterbox.class, Purpose.CUT_OUT, (s, l) -> Letterbox.WIDE, Letterbox.PARAMETERS, Trait.WHOLE),
    OPACITY(Opacity.class, Purpose.CUT_OUT, (s, l) -> Opacity.FULL, Opacity.PARAMETERS);

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
            case LockCorrection s -> LOCK_CORRECTION;
            case Outline o -> OUTLINE;
            case Key k -> KEY;
            case Luma l -> LUMA;
            case Difference d -> DIFFERENCE;
            case OwnAlpha a -> OWN_ALPHA;
            case Exposure g -> EXPOSURE;
            case ColourGrade t -> COLOUR_GRADE;
            case LayerBlur s -> LAYER_BLUR;
            case LensMatch l -> LENS_MATCH;
            case Warp w -> WARP;
            case Ripple r -> RIPPLE;
            case Grain g -> GRAIN;
            case Flip f -> FLIP;
            case PinnedCorners p -> PINNED_CORNERS;
            case Join j -> JOIN;
            case Extend e -> EXTEND;
            case FramePlace p -> FRAME_PLACE;
            case HandHeld w -> HAND_HELD;
            case TrackSteady h -> TRACK_STEADY;
            case Follow f -> FOLLOW;
            case SetPlace p -> SET_PLACE;
            case Shadow s -> SHADOW;
            case DrawnShadow c -> DRAWN_SHADOW;
            case Wrap w -> WRAP;
            case Glow g -> GLOW;
            case Letterbox l -> LETTERBOX;
            case Opacity p -> OPACITY;
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
        return fits && (has(Trait.SEVERAL) || layer.step(type).isEmpty()) ? Optional.ofNullable(beginning.of(shot, layer))
                : Optional.empty();
    }

    /// What can be set of a step by a number, with unit and bounds, in the order it is shown: numbers of its kind, then those of the points
    /// that lead it. Whoever shows them knows how many points there are.
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
        return l.source().isFootage() && shot.plate(l.plate()).map(Plate::role).filter(PlateRole::keyed).isPresent();
    }
}
