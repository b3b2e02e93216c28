package org.scenothesis.core;

import org.jspecify.annotations.Nullable;

/// The one place where a caller's mistake is refused, with name, range and value. NaN never passes.
public final class Check {
    private Check() {}

    /// @throws IllegalArgumentException unless `lo ≤ value ≤ hi`
    public static double range(String name, double value, double lo, double hi) {
        if (!(value >= lo && value <= hi)) {
            throw new OutOfRange(name, value, lo, hi);
        }
        return value;
    }

    /// @throws IllegalArgumentException unless `value` is finite and above zero
    public static double positive(String name, double value) {
        if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
            throw new OutOfRange(name, value, 0, Double.POSITIVE_INFINITY);
        }
        return value;
    }

    /// @throws IllegalArgumentException unless `value` is finite
    public static double finite(String name, double value) {
        if (!(Math.abs(value) < Double.POSITIVE_INFINITY)) {
            throw new OutOfRange(name, value, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
        }
        return value;
    }

    /// Coordinates in metres: finite, and not further away than anyone walks.
    ///
    /// @throws IllegalArgumentException unless each lies within 100 km of the origin
    public static void place(String name, double... metres) {
        for (double m : metres) {
            range(name, m, -1e5, 1e5);
        }
    }

    /// What should be there.
    ///
    /// @throws IllegalArgumentException with `what` if it is not
    public static <T> T present(@Nullable T value, String what) {
        if (value == null) {
            throw new IllegalArgumentException(what);
        }
        return value;
    }

    /// @throws IllegalArgumentException with `what` unless `holds`
    public static void that(boolean holds, String what) {
        if (!holds) {
            throw new IllegalArgumentException(what);
        }
    }
}
