package org.scenothesis.core.stage.piece;

import java.util.function.Function;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Given;

/// One number of a thing: its code, unit, bounds, where it comes from, and the thing with another told.
public record Dimension(String code, String unit, double low, double high, Given<Double> value, Function<Double, Thing> with) {
    /// In metres.
    static Dimension metres(String code, double low, double high, Given<Double> value, Function<Given<Double>, Thing> with) {
        return of(code, "m", low, high, value, with);
    }

    static Dimension of(String code, String unit, double low, double high, Given<Double> value, Function<Given<Double>, Thing> with) {
        Check.range(code, value.value(), low, high);
        return new Dimension(code, unit, low, high, value, v -> with.apply(Given.entered(v)));
    }

    /// The thing with this number told.
    ///
    /// @throws IllegalArgumentException if it is out of bounds
    public Thing told(double v) {
        return with.apply(Check.range(code, v, low, high));
    }
}
