package org.scenothesis.core.shot.step;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// A number of a step, described once for form, command line and help.
///
/// - `code`: its name in words and options; `unit`: as shown, empty for none; `decimals`: as shown; `by`: what one key or notch changes.
/// - `keying`: how it can change over the shot, or why not.
public record Parameter<S extends Step>(Class<S> kind, String code, String unit, Span span, Get<S> get, With<S> with, Keying keying) {
    /// One whose keys stand in [Keyable#keyed].
    public Parameter(Class<S> kind, String code, String unit, Span span, Get<S> get, With<S> with) {
        this(kind, code, unit, span, get, with, Keying.BY_CODE);
    }

    /// Bounds, both included, and how finely it goes.
    public record Span(double low, double high, double by, int decimals) {
        boolean has(double v) {
            return v >= low - 1e-9 && v <= high + 1e-9;
        }
    }

    /// How a number can change over the shot, or why it does not.
    public enum Keying {
        /// Its keys stand under its code.
        BY_CODE,
        /// The step has a value with keys of its own for it.
        OWN,
        /// A take is filmed with one lens.
        LENS,
        /// The canvas of a layer has one size.
        CANVAS,
        /// Something stands where it was filmed.
        FILMED,
        /// It is multiplied by the time that has run: a change would jump through all that went before.
        RUNS;

        /// Whether it can have keys.
        public boolean can() {
            return this == BY_CODE || this == OWN;
        }
    }

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

    Parameter<S> keyed(Keying how) {
        return new Parameter<>(kind, code, unit, span, get, with, how);
    }

    /// @throws ClassCastException if `step` is of another kind
    public double get(Step step, double seconds) {
        Animated<Double> keys = keys(step);
        return keys == null ? get.of(kind.cast(step), seconds) : keys.at(seconds, Animated::number);
    }

    /// @throws ClassCastException if `step` is of another kind
    /// @throws IllegalArgumentException if the number lies out of bounds
    public Step with(Step step, double seconds, double value) {
        Animated<Double> keys = keys(step);
        return keys == null ? with.of(kind.cast(step), seconds, value) : put((Keyable) step, keys.set(seconds, value));
    }

    /// The step with this number changed as all that may be animated is.
    ///
    /// @throws ClassCastException if `step` is of another kind
    public Step changed(Step step, Animated.Change change) {
        if (keying != Keying.BY_CODE || !(step instanceof Keyable k)) {
            return step;
        }
        Animated<Double> keys = keys(step);
        Animated<Double> was = keys == null ? Animated.of(get.of(kind.cast(step), 0)) : keys;
        Animated<Double> now = change.of(was, Animated::number);
        return now.equals(was) ? step : put(k, now);
    }

    private @Nullable Animated<Double> keys(Step step) {
        return keying == Keying.BY_CODE && step instanceof Keyable k ? k.keyed().get(code) : null;
    }

    private Step put(Keyable step, Animated<Double> value) {
        Map<String, Animated<Double>> more = new TreeMap<>(step.keyed());
        more.remove(code);
        if (!value.keys().isEmpty()) {
            more.put(code, value);
        }
        Step without = step.withKeyed(more);
        return value.keys().isEmpty() ? with.of(kind.cast(without), 0, value.still()) : without;
    }

    /// Keys by code as a step keeps them.
    ///
    /// @throws IllegalArgumentException if one is of no such number, has no keys, or is out of its bounds
    static Map<String, Animated<Double>> checked(List<? extends Parameter<?>> of, Map<String, Animated<Double>> keyed) {
        if (keyed.isEmpty()) {
            return Map.of();
        }
        keyed.forEach((code, value) -> {
            Parameter<?> p = of.stream().filter(x -> x.code().equals(code) && x.keying() == Keying.BY_CODE).findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("keyed, \"" + code
                    + "\" is no number of this step that can have keys"));
            Check.that(!value.keys().isEmpty(), "keyed, \"" + code + "\" has no keys");
            value.keys().forEach(k -> Check.that(p.span.has(k.value()), "keyed, \"" + code + "\" is from " + p.span.low + " to "
                    + p.span.high));
        });
        return Collections.unmodifiableSortedMap(new TreeMap<>(keyed));
    }
}
