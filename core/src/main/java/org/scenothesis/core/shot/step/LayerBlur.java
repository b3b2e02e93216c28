package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Out of focus, and blurred along a way: `radiusPx` is a Gaussian's deviation, `alongPx` how far things moved while the shutter was open,
/// towards `towardsDeg` (0 right, 90 down).
@RecordBuilder
public record LayerBlur(Animated<Double> radiusPx, Animated<Double> alongPx, double towardsDeg, Map<String, Animated<Double>> keyed)
        implements Step, Keyable, LayerBlurBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<LayerBlur>> PARAMETERS = List.of(
            new Parameter<>(LayerBlur.class, "blur", "px", new Parameter.Span(0, 200, 0.25, 2), (s, t) -> s.radiusPx()
            .at(t, Animated::number), (s, t, v) -> s.withRadiusPx(s.radiusPx().set(t, v))).keyed(Parameter.Keying.OWN),
            new Parameter<>(LayerBlur.class, "blur-along", "px", new Parameter.Span(0, 400, 0.5, 1), (s, t) -> s.alongPx()
            .at(t, Animated::number), (s, t, v) -> s.withAlongPx(s.alongPx().set(t, v))).keyed(Parameter.Keying.OWN),
            new Parameter<>(LayerBlur.class, "blur-towards", "\u00b0", new Parameter.Span(-360, 360, 1, 0), (s, t) -> s.towardsDeg(),
            (s, t, v) -> s.withTowardsDeg(v)));
    public static final LayerBlur LITTLE = new LayerBlur(Animated.of(2.0), Animated.of(0.0), 0);

    public LayerBlur {
        keyed = Parameter.checked(PARAMETERS, keyed);
        range("radiusPx", radiusPx, 200);
        range("alongPx", alongPx, 400);
        Check.range("towardsDeg", towardsDeg, -360, 360);
    }

    /// Without keys by code.
    public LayerBlur(Animated<Double> radiusPx, Animated<Double> alongPx, double towardsDeg) {
        this(radiusPx, alongPx, towardsDeg, Map.of());
    }

    @Override
    public LayerBlur withKeyed(Map<String, Animated<Double>> other) {
        return new LayerBlur(radiusPx, alongPx, towardsDeg, other);
    }

    private static void range(String name, Animated<Double> v, double most) {
        Check.range(name, v.still(), 0, most);
        v.keys().forEach(k -> Check.range(name, k.value(), 0, most));
    }

    @Override
    public Step animate(Animated.Change change) {
        return withRadiusPx(change.of(radiusPx, Animated::number)).withAlongPx(change.of(alongPx, Animated::number));
    }
}
