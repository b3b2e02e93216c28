package org.scenothesis.core.shot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.stage.Evidence;

/// A picture that has to be filmed, and its takes.
///
/// - `lockGroup`: plates that must share one untouched camera; `lightGroup`: plates that must share one light; empty for none.
/// - `rollSeconds`: the least length of a take; 0 for a still.
/// - `need`: the key of the planned need it was made for; empty when it was added by hand.
/// - `marks`: what was shown in its picture, for its camera and its light.
@RecordBuilder
public record Plate(
        String id,
        String name,
        PlateRole role,
        Spike spike,
        String lockGroup,
        String lightGroup,
        double rollSeconds,
        List<Take> takes,
        String need,
        List<Evidence> marks) implements PlateBuilder.With {
    private static final int MOST = 500;

    public Plate {
        Check.range("rollSeconds", rollSeconds, 0, 86_400);
        takes = List.copyOf(takes);
        marks = List.copyOf(marks);
        Check.range("marks", marks.size(), 0, MOST);
    }

    /// A plate added by hand.
    public Plate(String id, String name, PlateRole role, Spike spike, String lockGroup, String lightGroup, double rollSeconds,
            List<Take> takes) {
        this(id, name, role, spike, lockGroup, lightGroup, rollSeconds, takes, "");
    }

    /// A plate in whose picture nothing was shown yet.
    public Plate(String id, String name, PlateRole role, Spike spike, String lockGroup, String lightGroup, double rollSeconds,
            List<Take> takes, String need) {
        this(id, name, role, spike, lockGroup, lightGroup, rollSeconds, takes, need, List.of());
    }

    /// The take that counts: the circled one, else the last.
    public @Nullable Take chosen() {
        return takes.stream().filter(Take::circled).findFirst().orElse(takes.isEmpty() ? null : takes.getLast());
    }

    /// The take with this id, if there is one.
    public Optional<Take> take(@Nullable String takeId) {
        return takes.stream().filter(t -> t.id().equals(takeId)).findFirst();
    }

    /// The plate with one take more, as the last.
    public Plate withTakeAdded(Take take) {
        List<Take> more = new ArrayList<>(takes);
        more.add(take);
        return withTakes(more);
    }

    /// Circles one take and no other; circling the circled one again takes the mark away.
    public Plate circling(String takeId) {
        return withTakes(takes.stream().map(t -> t.circled(t.id().equals(takeId) && !t.circled())).toList());
    }
}
