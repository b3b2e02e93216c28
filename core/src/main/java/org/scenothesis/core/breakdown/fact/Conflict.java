package org.scenothesis.core.breakdown.fact;

import java.util.List;
import org.scenothesis.core.finding.Verdict;

/// Facts that do not go together: `numbers` are for the words.
public record Conflict(ConflictKind kind, String illusion, String about, Verdict weight, List<Double> numbers) {
    public Conflict {
        numbers = List.copyOf(numbers);
    }

    /// Its name in papers and words.
    public String code() {
        return kind.code();
    }

    /// A conflict that must be solved before anything is filmed; `numbers` are what its sentence needs.
    public static Conflict redo(ConflictKind kind, String illusion, String about, Double... numbers) {
        return new Conflict(kind, illusion, about, Verdict.REDO, List.of(numbers));
    }

    /// A conflict that can be lived with; `numbers` are what its sentence needs.
    public static Conflict watch(ConflictKind kind, String illusion, String about, Double... numbers) {
        return new Conflict(kind, illusion, about, Verdict.WATCH, List.of(numbers));
    }
}
