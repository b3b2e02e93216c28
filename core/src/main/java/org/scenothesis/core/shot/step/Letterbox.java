package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Black bars that leave a picture `ratio` times as wide as high.
@RecordBuilder
public record Letterbox(double ratio, Map<String, Animated<Double>> keyed) implements Step, Keyable, LetterboxBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Letterbox>> PARAMETERS = List.of(
            new Parameter<>(Letterbox.class, "letterbox-ratio", ": 1", new Parameter.Span(0.2, 10, 0.01, 2), (l, t) -> l.ratio(),
            (l, t, v) -> l.withRatio(v)));
    public static final Letterbox WIDE = new Letterbox(2.39);

    public Letterbox {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("ratio", ratio, 0.2, 10);
    }

    /// Without keys by code.
    public Letterbox(double ratio) {
        this(ratio, Map.of());
    }

    @Override
    public Letterbox withKeyed(Map<String, Animated<Double>> other) {
        return new Letterbox(ratio, other);
    }
}
