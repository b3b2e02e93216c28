package org.scenothesis.core.breakdown.number;

import org.scenothesis.core.Check;

/// How many photographs a stills sequence takes, and how long.
///
/// One in four more is taken for those that flicker, were nudged or moved too little, and a still of the empty base for every ten seconds.
public record Stills(int frames, int spares, int empties, double minutes) {
    private static final double SPARE = 0.25;

    /// How many photographs a passage of frame-by-frame work takes, spare and empty ones included.
    ///
    /// @throws IllegalArgumentException if seconds are outside 0 to 86 400, frames a second outside 0.1 to 240, or seconds a frame outside
    /// 0 to 86 400
    public static Stills of(double seconds, double ratePerS, double secondsPerFrame) {
        Check.range("seconds", seconds, 0, 86_400);
        Check.range("ratePerS", ratePerS, 0.1, 240);
        Check.range("secondsPerFrame", secondsPerFrame, 0, 86_400);
        int frames = (int) Math.ceil(seconds * ratePerS - 1e-9);
        int spares = (int) Math.ceil(frames * SPARE);
        int empties = 1 + (int) Math.ceil(seconds / 10);
        return new Stills(frames, spares, empties, (frames + spares + empties) * secondsPerFrame / 60);
    }

    /// Photographs in all.
    public int all() {
        return frames + spares + empties;
    }
}
