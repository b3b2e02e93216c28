package org.scenothesis.core.finding;

/// The judgement of a measurement, best first; `NOT_MEASURED` is no judgement.
public enum Verdict {
    HOLDS,
    WATCH,
    REDO,
    NOT_MEASURED;

    /// The more serious of the two; not measured counts least.
    public Verdict worse(Verdict o) {
        return weight() >= o.weight() ? this : o;
    }

    public int weight() {
        return switch (this) {
            case NOT_MEASURED -> 0;
            case HOLDS -> 1;
            case WATCH -> 2;
            case REDO -> 3;
        };
    }
}
