package org.scenothesis.core.value;

/// A value with its origin: nothing is invented silently.
public sealed interface Given<T> {
    T value();

    /// Entered by a person.
    record Entered<T>(T value) implements Given<T> {}

    /// Put in by the program because something had to be; `why` is the code of the reason, for which `words` has a sentence.
    record Assumed<T>(T value, String why) implements Given<T> {}

    /// Found out by the program; `by` is the code of the way, for which `words` has a sentence.
    record Measured<T>(T value, String by) implements Given<T> {}

    /// Another value of the same origin.
    default <V> Given<V> like(V other) {
        return switch (this) {
            case Assumed<T> a -> new Assumed<>(other, a.why);
            case Measured<T> m -> new Measured<>(other, m.by);
            case Entered<T> e -> new Entered<>(other);
        };
    }

    static <T> Given<T> entered(T value) {
        return new Entered<>(value);
    }
}
