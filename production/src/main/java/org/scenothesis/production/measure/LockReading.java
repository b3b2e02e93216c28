package org.scenothesis.production.measure;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.production.words.Words;

/// Whether a take shows what its reference shows.
///
/// - `matrix`: the colour matrix by which a file that names none was read, since it agrees better than the assumed one; null for none.
///   `ofReference`: it is the reference that names none.
public record LockReading(LockReport report, @Nullable ColourMatrix matrix, boolean ofReference) {
    /// What is asked: which matrix it is.
    public Optional<Finding> asked(Subject subject) {
        return matrix == null ? Optional.empty()
                : Optional.of(Finding.that(Measure.MATRIX, subject, 1, Verdict.WATCH)
                .noted(Words.of(ofReference ? "finding.MATRIX.note.reference" : "finding.MATRIX.note", Words.of("matrix." + matrix))));
    }
}
