package org.scenothesis.core.breakdown;

/// One way to separate a subject, with what it costs: minutes on set now, hours of hand work later.
///
/// - `code`: `method.<code>` are its words. `keyframes`, `minutesEach`: the assumption behind the hours.
public record Method(String code, double setMinutes, double handHours, int keyframes, double minutesEach, boolean recommended) {
    Method recommended(boolean now) {
        return new Method(code, setMinutes, handHours, keyframes, minutesEach, now);
    }
}
