package org.scenothesis.core.breakdown.plate;

import org.scenothesis.core.optics.Staging;

/// Where someone's eyes have to be at a moment: at what, how high above the floor, and how far up (or down, negative) from level.
public record Eyeline(String who, String at, double seconds, double heightM, double upDeg) {
    /// The angle from eyes at `eyesM` to a mark at `heightM` in `distanceM`.
    public static Eyeline of(String who, String at, double seconds, double eyesM, double heightM, double distanceM) {
        return new Eyeline(who, at, seconds, heightM, Staging.eyelineDeg(heightM - eyesM, distanceM));
    }
}
