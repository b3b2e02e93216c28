package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;

/// Black bars that leave a picture `ratio` times as wide as high.
@RecordBuilder
public record Letterbox(double ratio) implements Step, LetterboxBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Letterbox>> PARAMETERS = List.of(
            new Parameter<>(Letterbox.class, "letterbox-ratio", ": 1", new Parameter.Span(0.2, 10, 0.01, 2), (l, t) -> l.ratio(), (l, t, v) -> l.withRatio(v)));
    public static final Letterbox WIDE = new Letterbox(2.39);

    public Letterbox {
        Check.range("ratio", ratio, 0.2, 10);
    }
}
