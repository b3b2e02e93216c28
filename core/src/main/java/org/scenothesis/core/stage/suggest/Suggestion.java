package org.scenothesis.core.stage.suggest;

import java.util.List;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.proof.Proved;

/// A set that keeps the limits as far as they can be kept.
///
/// - `moved`: ids of pieces that stand elsewhere or otherwise, `camera` for it; `added`: ids of lamps put down.
/// - `unmet`: limits that are not kept, the worst first: they cannot be, with these means in this room, as far as was looked.
public record Suggestion(Stage stage, List<String> moved, List<String> added, List<Proved> unmet) {
    public Suggestion {
        moved = List.copyOf(moved);
        added = List.copyOf(added);
        unmet = List.copyOf(unmet);
    }

    /// Whether all limits are kept.
    public boolean whole() {
        return unmet.isEmpty();
    }

    /// Whether none of what is left has to be redone.
    public boolean usable() {
        return unmet.stream().noneMatch(p -> p.finding().verdict() == Verdict.REDO);
    }
}
