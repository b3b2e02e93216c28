package org.scenothesis.core.stage.proof;

import java.util.List;
import org.scenothesis.core.finding.Finding;

/// One answer about a staged set.
///
/// - `finding`: what was worked out, judged by the limits of the house. `about`: ids of the pieces it is about, the first what it happens
///   to.
/// - `fix`: how to mend it, none where nothing has to be. `rests`: what it rests on that nobody told: ids of pieces, `camera`, `lens`,
///   `room`.
public record Proved(Finding finding, List<String> about, Fix fix, List<String> rests) {
    /// How to mend something: a code, for which the doors have words, and its numbers.
    public record Fix(String code, List<Double> numbers) {
        public static final Fix NONE = new Fix("", List.of());

        public Fix {
            numbers = List.copyOf(numbers);
        }

        static Fix of(String code, Double... numbers) {
            return new Fix(code, List.of(numbers));
        }
    }

    public Proved {
        about = List.copyOf(about);
        rests = List.copyOf(rests);
    }

    /// Whether all it rests on was told or measured.
    public boolean known() {
        return rests.isEmpty();
    }
}
