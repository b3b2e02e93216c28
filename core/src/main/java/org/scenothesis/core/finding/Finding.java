package org.scenothesis.core.finding;

import java.util.List;

/// One judged measurement.
///
/// - `measure`: what was measured; words for it are made by the doors.
/// - `subject`: what it is about; `value` in the measure's unit, NaN when not measured; `details`: further numbers the words may use.
/// - `price`: what mending costs now on set and what leaving it costs later.
/// - `note`: what the outside world said, as a sentence; empty for none.
public record Finding(Measure measure, Subject subject, double value, Limit limit, Verdict verdict, List<Double> details, Price price,
        String note) {
    public Finding {
        details = List.copyOf(details);
    }

    /// A finding without a sentence of its own.
    public Finding(Measure measure, Subject subject, double value, Limit limit, Verdict verdict, List<Double> details, Price price) {
        this(measure, subject, value, limit, verdict, details, price, "");
    }

    /// Something that should have been measured and was not.
    public static Finding unmeasured(Measure measure, Subject subject, String why) {
        return new Finding(measure, subject, Double.NaN, Limit.NONE, Verdict.NOT_MEASURED, List.of(), measure.price(), why);
    }

    /// Minutes now, hours of hand work later.
    public record Price(double minutesNow, double hoursLater) {
        public static final Price NONE = new Price(0, 0);
    }

    /// Judged by the limit of the house.
    public static Finding of(Measure measure, Subject subject, double value, HouseRules rules) {
        return of(measure, subject, value, rules.limit(measure));
    }

    /// A verdict that needs no limit.
    public static Finding that(Measure measure, Subject subject, double value, Verdict verdict) {
        return of(measure, subject, value, Limit.NONE).judged(verdict);
    }

    /// A value of the measure's unit, judged by a limit.
    public static Finding of(Measure measure, Subject subject, double value, Limit limit) {
        return new Finding(measure, subject, value, limit, limit.judge(value), List.of(), measure.price());
    }

    /// The plate it concerns; empty for none.
    public String plate() {
        return subject.plate();
    }

    /// The same with further numbers its sentence needs.
    public Finding detailed(Double... more) {
        return new Finding(measure, subject, value, limit, verdict, List.of(more), price, note);
    }

    /// The same value with another verdict, for what a limit alone does not decide.
    public Finding judged(Verdict other) {
        return new Finding(measure, subject, value, limit, other, details, price, note);
    }

    /// The same with a sentence of its own: a reason the program did not choose the words of.
    public Finding noted(String sentence) {
        return new Finding(measure, subject, value, limit, verdict, details, price, sentence);
    }
}
