package org.scenothesis.core.finding;

import java.util.Collection;

/// The judgement of a measurement; `NOT_MEASURED` is no judgement, and a whole that has something unmeasured in it does not hold.
public enum Verdict {
    HOLDS,
    WATCH,
    REDO,
    NOT_MEASURED;

    /// The more serious of the two; not measured is more serious than holding: a whole is never better than its least known part.
    public Verdict worse(Verdict o) {
        return weight() >= o.weight() ? this : o;
    }

    /// Of all of them; nothing at all is not measured.
    public static Verdict of(Collection<Verdict> all) {
        return all.stream().reduce(Verdict::worse).orElse(NOT_MEASURED);
    }

    /// How bad it is, to sort by: 0 to 3; what is not measured is worse than what holds.
    public int weight() {
        return switch (this) {
            case HOLDS -> 0;
            case NOT_MEASURED -> 1;
            case WATCH -> 2;
            case REDO -> 3;
        };
    }
}
