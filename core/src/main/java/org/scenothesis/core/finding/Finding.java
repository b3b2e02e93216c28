package org.scenothesis.core.finding;

import java.util.List;

/// One judged measurement.
///
/// - `measure`: what was measured; words for it are made by the doors.
/// - `plate`: the plate's id; `value` in the measure's unit, NaN when not measured; `details`: further numbers the words may use.
/// - `price`: what mending costs now on set and what leaving it costs later.
/// - `note`: what the outside world said, as a sentence; empty for none.
public record Finding(Measure measure, String plate, double value, Limit limit, Verdict verdict, List<Double> details, Price price, String note) {
    public Finding {
        details = List.copyOf(details);
    }

    public Finding(Measure measure, String plate, double value, Limit limit, Verdict verdict, List<Double> details, Price price) {
        this(measure, plate, value, limit, verdict, details, price, "");
    }

    /// Something that should have been measured and was not.
    public static Finding unmeasured(Measure measure, String plate, String why) {
        return new Finding(measure, plate, Double.NaN, new Limit(0, 0), Verdict.NOT_MEASURED, List.of(), measure.price(), why);
    }

    /// Minutes now, hours of hand work later.
    public record Price(double minutesNow, double hoursLater) {
        public static final Price NONE = new Price(0, 0);
    }

    public static Finding of(Measure measure, String plate, double value, Limit limit) {
        return new Finding(measure, plate, value, limit, limit.judge(value), List.of(), measure.price());
    }

    public Finding detailed(Double... more) {
        return new Finding(measure, plate, value, limit, verdict, List.of(more), price, note);
    }

    public Finding judged(Verdict other) {
        return new Finding(measure, plate, value, limit, other, details, price, note);
    }

    public Finding noted(String sentence) {
        return new Finding(measure, plate, value, limit, verdict, details, price, sentence);
    }
}
