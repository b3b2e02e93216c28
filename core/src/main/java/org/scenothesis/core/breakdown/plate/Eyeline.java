package org.scenothesis.core.breakdown.plate;

import org.scenothesis.core.optics.Staging;

/// Where someone's eyes have to be at a moment: at what, how high above the floor, how far up (or down, negative) from level, and how far
/// from the eyes, level.
public record Eyeline(String who, String at, double seconds, double heightM, double upDeg, double distanceM) {
    /// The angle from eyes at `eyesM` to a mark at `heightM` in `distanceM`.
    public static Eyeline of(String who, String at, double seconds, double eyesM, double heightM, double distanceM) {
        return new Eyeline(who, at, seconds, heightM, Staging.eyelineDeg(heightM - eyesM, distanceM), distanceM);
    }

    /// How high a mark has to be on a stand or a wall so far from the eyes, level, that they look the same way; in metres.
    public double markM(double awayM) {
        return heightM + (awayM - distanceM) * Math.tan(Math.toRadians(upDeg));
    }
}
