package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// Brightens or darkens; `matched`: exposure and colour are first brought to the base's by the lock check's measure.
@RecordBuilder
public record Grade(double gainStops, boolean matched) implements Step, GradeBuilder.With {
    public static final Grade NONE = new Grade(0, false);

    public Grade {
        Check.range("gainStops", gainStops, -8, 8);
    }
}
