package org.scenothesis.core.finding;

import java.util.Optional;

/// What came of measuring: a reading, or why there is none. A reading says of its own values how sure they are.
public sealed interface Outcome<R> {
    /// - `provisional`: a first look at little of it; what it shows is known, that nothing else is there is not.
    record Found<R>(R reading, boolean provisional) implements Outcome<R> {}

    /// It can be read but not measured; `reason` is a sentence that says what to do.
    record Refused<R>(String reason) implements Outcome<R> {}

    /// It, or what it is compared with, cannot be read; `why` is a sentence that names where.
    record Unreadable<R>(String why) implements Outcome<R> {}

    default Optional<R> found() {
        return this instanceof Found<R> f ? Optional.of(f.reading) : Optional.empty();
    }

    /// Why there is no reading; empty where there is one.
    default String trouble() {
        return switch (this) {
            case Found<R> f -> "";
            case Refused<R> r -> r.reason;
            case Unreadable<R> u -> u.why;
        };
    }

    /// Whether nothing is left to be measured: it was, wholly, or cannot be.
    default boolean whole() {
        return !(this instanceof Found<R> f) || !f.provisional;
    }
}
