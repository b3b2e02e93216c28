package org.scenothesis.core.rehearsal.staged;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;

/// What was foretold of a rehearsed plate beside what was measured of it.
///
/// - `foretold` is null where nobody foresaw what was found, `measured` where it was not measured.
public record PredictionCheck(Measure measure, @Nullable Prediction foretold, @Nullable Finding measured, Agreement agreement) {
    /// A measured value within this share of the foretold one is the same, whatever limit lies between them.
    private static final double ALIKE = 0.25;

    /// How the two stand to each other.
    public enum Agreement {
        AGREES,
        /// It came out better than was feared.
        MILDER,
        /// It came out worse than was hoped.
        WORSE,
        /// Nothing of it was foretold, and it does not hold.
        UNFORESEEN,
        NOT_MEASURED
    }

    /// Every foretold measure beside its finding, and after them what was found and not foreseen.
    public static List<PredictionCheck> of(List<Prediction> foretold, List<Finding> measured) {
        List<PredictionCheck> out = new ArrayList<>();
        for (Prediction f : foretold) {
            Finding m = worst(measured, f.measure()).orElse(null);
            out.add(new PredictionCheck(f.measure(), f, m, m == null || m.verdict() == Verdict.NOT_MEASURED ? Agreement.NOT_MEASURED
                    : agreement(f, m)));
        }
        for (Measure m : measured.stream().map(Finding::measure).distinct().toList()) {
            boolean foreseen = foretold.stream().anyMatch(f -> f.measure() == m);
            worst(measured, m).filter(w -> !foreseen && (w.verdict() == Verdict.WATCH || w.verdict() == Verdict.REDO))
                    .ifPresent(w -> out.add(new PredictionCheck(m, null, w, Agreement.UNFORESEEN)));
        }
        return out;
    }

    private static Optional<Finding> worst(List<Finding> all, Measure m) {
        return all.stream().filter(f -> f.measure() == m).reduce((a, b) -> b.verdict().weight() > a.verdict().weight() ? b : a);
    }

    private static Agreement agreement(Prediction f, Finding m) {
        boolean alike = Math.abs(m.value() - f.value()) <= ALIKE * Math.max(Math.abs(f.value()), m.limit().holds());
        if (f.verdict() == m.verdict() || alike) {
            return Agreement.AGREES;
        }
        return m.verdict().weight() < f.verdict().weight() ? Agreement.MILDER : Agreement.WORSE;
    }
}
