package org.scenothesis.core.finding;

import java.util.List;

/// One judged measurement.
///
/// - `measure`: what was measured; words for it are made by the doors.
/// - `plate`: the plate's id; `value` in the measure's unit, NaN when not measured; `details`: further numbers the words may use.
/// - `price`: what mending costs now on set and what leaving it costs later.
public record Finding(Measure measure, String plate, double value, Limit limit, Verdict verdict, List<Double> details, Price price) {
    public Finding {
        details = List.copyOf(details);
    }

    /// Minutes now, hours of hand work later.
    public record Price(double minutesNow, double hoursLater) {
        public static final Price NONE = new Price(0, 0);
    }

    public static Finding of(Measure measure, String plate, double value, Limit limit) {
        return new Finding(measure, plate, value, limit, limit.judge(value), List.of(), measure.price());
    }

    public Finding detailed(Double... more) {
        return new Finding(measure, plate, value, limit, verdict, List.of(more), price);
    }

    public Finding judged(Verdict other) {
        return new Finding(measure, plate, value, limit, other, details, price);
    }
}
