package org.scenothesis.core.rehearsal;

import org.scenothesis.core.Check;

/// How much work the renderer spends and from which seed its chance comes.
///
/// - `stillSamples`, `movingSamples`: paths per pixel for the set, and where something moves.
/// - `shutterShare`: how long the shutter stays open, in frames (0.5 is the usual half).
public record Quality(int stillSamples, int movingSamples, double shutterShare, long seed) {
    public Quality {
        Check.range("stillSamples", stillSamples, 1, 4096);
        Check.range("movingSamples", movingSamples, 4, 4096);
        Check.range("shutterShare", shutterShare, 0, 1);
    }

    /// The same with other chances.
    public Quality seeded(long other) {
        return new Quality(stillSamples, movingSamples, shutterShare, other);
    }

    public static final Quality DRAFT = new Quality(8, 8, 0.5, 1);
    public static final Quality FINE = new Quality(48, 16, 0.5, 1);
}
