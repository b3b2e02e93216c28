package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;

/// Brightens or darkens; `matched`: exposure and colour are first brought to the base's by the lock check's measure.
@RecordBuilder
public record Grade(double gainStops, boolean matched) implements Step, GradeBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Grade>> PARAMETERS = List.of(
            new Parameter<>(Grade.class, "gain", "stop", new Parameter.Span(-4, 4, 0.05, 2), (g, t) -> g.gainStops(), (g, t, v) -> g.withGainStops(v)));
    public static final Grade NONE = new Grade(0, false);

    public Grade {
        Check.range("gainStops", gainStops, -8, 8);
    }
}
