package org.scenothesis.core.shot;

import org.scenothesis.core.Check;

/// A marked moment of a shot.
public record Beat(String id, String name, double seconds) {
    public Beat {
        Check.range("seconds", seconds, 0, 86_400);
    }

    /// The same at another moment, in seconds, not before the shot begins.
    public Beat at(double other) {
        return new Beat(id, name, Math.max(0, other));
    }
}
