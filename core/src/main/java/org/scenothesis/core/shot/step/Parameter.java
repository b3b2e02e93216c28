package org.scenothesis.core.shot.step;

/// A number of a step, described once for form, command line and help.
///
/// - `code`: its name in words and options; `unit`: as shown, empty for none; `decimals`: as shown; `by`: what one key or notch changes.
public record Parameter<S extends Step>(Class<S> kind, String code, String unit, Span span, Get<S> get, With<S> with) {
    /// Bounds, both included, and how finely it goes.
    public record Span(double low, double high, double by, int decimals) {}

    /// The number at a moment of the shot.
    @FunctionalInterface
    public interface Get<S> {
        double of(S step, double seconds);
    }

    /// The step with another number at a moment; where nothing is animated, for all time.
    @FunctionalInterface
    public interface With<S> {
        S of(S step, double seconds, double value);
    }

    /// @throws ClassCastException if `step` is of another kind
    public double get(Step step, double seconds) {
        return get.of(kind.cast(step), seconds);
    }

    /// @throws ClassCastException if `step` is of another kind
    /// @throws IllegalArgumentException if the number lies out of bounds
    public S with(Step step, double seconds, double value) {
        return with.of(kind.cast(step), seconds, value);
    }
}
