package org.scenothesis.core.shot.step;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

/// The words that the kinds of step go by.
public final class Choices {
    /// Hung on nothing.
    public static final String NOTHING = "nothing";
    private static final List<String> SIDES = List.of("straight", "curved");
    private static final List<String> GOES = List.of("shifts", "turns");

    private Choices() {}

    /// What can be chosen of a step.
    ///
    /// - `tracks`: ids of what it may hang on; `since`: the moment of a track's take, in seconds, at which it is hung.
    public static List<Choice<?>> of(Step step, List<String> tracks, ToDoubleFunction<String> since) {
        return switch (step) {
            case Outline o -> {
                List<Choice<?>> out = new ArrayList<>(List.of(
                        new Choice<>(Outline.class, "counts", words(Outline.Counts.values()), x -> word(x.counts()), (x, w) ->
                        x.withCounts(Outline.Counts.valueOf(w.toUpperCase(Locale.ROOT)))),
                        new Choice<>(Outline.class, "sides", SIDES, x -> SIDES.get(x.curved() ? 1 : 0), (x, w) ->
                        x.withCurved(w.equals("curved")))));
                if (!tracks.isEmpty()) {
                    List<String> names = new ArrayList<>(List.of(NOTHING));
                    names.addAll(tracks);
                    out.add(new Choice<>(Outline.class, "hung", names, x -> on(x.hung()), (x, w) -> x.withHung(w.equals(NOTHING) ? null
                            : new TrackBinding(w, since.applyAsDouble(w), true))));
                }
                yield out;
            }
            case Follow f -> hung(Follow.class, f.by(), Follow::by, Follow::new, tracks, since);
            case TrackSteady h -> hung(TrackSteady.class, h.by(), TrackSteady::by, TrackSteady::new, tracks, since);
            case Join j -> List.of(new Choice<>(Join.class, "keeps", words(Join.Side.values()), x -> word(x.keeps()), (x, w) ->
                    x.with(Join.Side.valueOf(w.toUpperCase(Locale.ROOT)), x.softnessPx())));
            case Key k -> List.of(new Choice<>(Key.class, "spill", words(KeySettings.Spill.values()), x -> word(x.settings().spill()),
                    (x, w) ->
                    x.with(x.settings().withSpill(KeySettings.Spill.valueOf(w.toUpperCase(Locale.ROOT))))));
            case Extend e -> List.of(new Choice<>(Extend.class, "around", words(Extend.Around.values()), x -> word(x.around()), (x, w) ->
                    x.withAround(Extend.Around.valueOf(w.toUpperCase(Locale.ROOT)))));
            case LockCorrection _, Luma _, Difference _, OwnAlpha _, Exposure _, ColourGrade _, LayerBlur _, LensMatch _, Warp _,
                    Ripple _, Grain _,
                    Flip _, PinnedCorners _, FramePlace _, HandHeld _, SetPlace _, Shadow _, DrawnShadow _, Wrap _, Glow _, Letterbox _,
                    Opacity _ -> List.of();
        };
    }

    private static <S extends Step> List<Choice<?>> hung(Class<S> kind, TrackBinding now, Function<S, TrackBinding> of,
            Function<TrackBinding, S> make, List<String> tracks, ToDoubleFunction<String> since) {
        return List.of(
                new Choice<>(kind, "follows", tracks.contains(now.track()) ? tracks : plus(tracks, now.track()), x -> of.apply(x).track(),
                (x, w) -> make.apply(new TrackBinding(w, since.applyAsDouble(w), of.apply(x).turns()))),
                new Choice<>(kind, "goes", GOES, x -> GOES.get(of.apply(x).turns() ? 1 : 0), (x, w) ->
                make.apply(new TrackBinding(of.apply(x).track(), of.apply(x).sinceSeconds(), w.equals("turns")))));
    }

    private static List<String> plus(List<String> all, String one) {
        List<String> out = new ArrayList<>(all);
        out.add(one);
        return out;
    }

    private static String on(@Nullable TrackBinding h) {
        return h == null ? NOTHING : h.track();
    }

    private static List<String> words(Enum<?>[] values) {
        return Arrays.stream(values).map(Choices::word).toList();
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }
}
