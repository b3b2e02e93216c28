package org.scenothesis.core.shot.step;

import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;

/// One of several words that a step goes by, described once for form, command line and help.
///
/// `code`: its name in words and options; `options`: the codes of its words, in the order they are shown.
public record Choice<S>(Class<S> kind, String code, List<String> options, Function<S, String> get, BiFunction<S, String, Step> with) {
    public Choice {
        options = List.copyOf(options);
    }

    /// The word a step goes by.
    ///
    /// @throws ClassCastException if `step` is of another kind
    public String get(Step step) {
        return get.apply(kind.cast(step));
    }

    /// The step by another word.
    ///
    /// @throws ClassCastException if `step` is of another kind
    /// @throws IllegalArgumentException if it is none of its words
    public Step with(Step step, String word) {
        if (!options.contains(word)) {
            throw new IllegalArgumentException(code + " is one of " + String.join(", ", options) + ", not " + word);
        }
        return with.apply(kind.cast(step), word);
    }
}
