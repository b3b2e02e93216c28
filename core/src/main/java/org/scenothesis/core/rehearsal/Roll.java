package org.scenothesis.core.rehearsal;

import java.util.List;
import java.util.function.DoubleFunction;
import org.jspecify.annotations.Nullable;

/// One take to be filmed by the simulated camera.
///
/// - `moving`: what is on the set at a time in seconds, or null when nothing moves.
/// - `views`: where the camera stands, and from which frame on; more than one is a bump.
/// - `handling`: what happens to its frames on the way.
public record Roll(
        String name,
        int frames,
        double rate,
        Scenery set,
        @Nullable DoubleFunction<Scenery> moving,
        List<Station> views,
        Handling handling,
        Sensor sensor) {
    public Roll {
        views = List.copyOf(views);
    }

    public record Station(int fromFrame, View view) {}
}
