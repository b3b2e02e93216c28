package org.scenothesis.core;

import java.util.Arrays;
import java.util.Collection;

/// What most of many values say, however wrong a few of them are.
///
/// Source: Huber 1981, Robust Statistics.
public final class Robust {
    private Robust() {}

    /// The middle of the values, of an even number the mean of the middle two; 0 of none.
    public static double median(double... values) {
        double[] v = values.clone();
        Arrays.sort(v);
        return v.length == 0 ? 0 : (v[(v.length - 1) / 2] + v[v.length / 2]) / 2;
    }

    /// The same of boxed ones.
    public static double median(Collection<Double> values) {
        return median(values.stream().mapToDouble(Double::doubleValue).toArray());
    }

    /// Half of what nine of ten values lie within; 0 of fewer than three.
    public static double halfOfMost(double[] values) {
        double[] v = values.clone();
        Arrays.sort(v);
        return v.length < 3 ? 0 : (v[(int) (0.95 * (v.length - 1))] - v[(int) Math.ceil(0.05 * (v.length - 1))]) / 2;
    }
}
