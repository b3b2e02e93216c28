package org.scenothesis.core.breakdown.number;

import java.util.List;
import org.scenothesis.core.finding.Verdict;

/// A number that follows from the facts: `figure.<code>` are its words, `about` names the thing, `more` are further numbers the words use.
///
/// - `verdict`: [Verdict#NOT_MEASURED] for numbers that only tell and judge nothing.
public record Figure(String code, String about, double value, String unit, Verdict verdict, List<Double> more) {
    public Figure {
        more = List.copyOf(more);
    }

    /// A number that informs and is not judged.
    public static Figure tells(String code, String about, double value, String unit, Double... more) {
        return new Figure(code, about, value, unit, Verdict.NOT_MEASURED, List.of(more));
    }

    /// The same number with a verdict.
    public Figure judged(Verdict v) {
        return new Figure(code, about, value, unit, v, more);
    }
}
