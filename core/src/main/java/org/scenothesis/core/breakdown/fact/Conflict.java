package org.scenothesis.core.breakdown.fact;

import java.util.List;
import org.scenothesis.core.finding.Verdict;

/// Facts that do not go together: `conflict.<code>` says why, `conflict.<code>.remedy` what to do. `numbers` are for the words.
public record Conflict(String code, String illusion, String about, Verdict weight, List<Double> numbers) {
    public Conflict {
        numbers = List.copyOf(numbers);
    }

    /// A conflict that must be solved before anything is filmed; `numbers` are what its sentence needs.
    public static Conflict redo(String code, String illusion, String about, Double... numbers) {
        return new Conflict(code, illusion, about, Verdict.REDO, List.of(numbers));
    }

    /// A conflict that can be lived with; `numbers` are what its sentence needs.
    public static Conflict watch(String code, String illusion, String about, Double... numbers) {
        return new Conflict(code, illusion, about, Verdict.WATCH, List.of(numbers));
    }
}
