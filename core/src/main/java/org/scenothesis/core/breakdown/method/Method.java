package org.scenothesis.core.breakdown.method;

import java.util.List;

/// One way to separate a thing, with what it costs: minutes on set now, hours of hand work later.
///
/// - `keyframes`, `minutesEach`: the assumption behind the hours. `risks`: codes of what can go wrong, `risk.<code>` are their words.
/// - `recommended`: by the rules; `chosen`: what the plan follows, by the crew's own word if it gave one.
public record Method(
        Way way, double setMinutes, double handHours, int keyframes, double minutesEach, List<String> risks, boolean recommended,
        boolean chosen) {
    public Method {
        risks = List.copyOf(risks);
    }
}
