package org.scenothesis.production.incoming;

import java.nio.file.Path;

/// What one look at a file told.
///
/// - `cloth`, `dark`: shares of a picture that look like a screen's cloth, or have no light, in [0, 1].
/// - `stirring`: the largest difference between moments of it, in shares of the brightest code, on a coarse grid; 0 for a still.
/// - `look`: its first picture on that grid as code values; empty if it could not be read.
/// - `problem`: empty, or why it cannot be used.
public record Seen(Path file, boolean still, double seconds, int width, int height, double cloth, double dark, double stirring, Look look, String problem) {
    static Seen unreadable(Path file, String problem) {
        return new Seen(file, false, 0, 0, 0, 0, 0, 0, Look.NONE, problem);
    }

    public boolean usable() {
        return problem.isEmpty();
    }
}
