package org.scenothesis.core.breakdown.number;

import java.util.List;
import org.scenothesis.core.finding.Verdict;

/// A number that follows from the facts; `about` names the thing, `more` are further numbers the words use.
///
/// - `verdict`: [Verdict#NOT_MEASURED] for numbers that only tell and judge nothing.
public record Figure(FigureKind kind, String about, double value, String unit, Verdict verdict, List<Double> more) {
    public Figure {
        more = List.copyOf(more);
    }

    /// Its name in papers and words.
    public String code() {
        return kind.code();
    }

    /// A number that informs and is not judged.
    public static Figure tells(FigureKind kind, String about, double value, String unit, Double... more) {
        return new Figure(kind, about, value, unit, Verdict.NOT_MEASURED, List.of(more));
    }

    /// The same number with a verdict.
    public Figure judged(Verdict v) {
        return new Figure(kind, about, value, unit, v, more);
    }
}
