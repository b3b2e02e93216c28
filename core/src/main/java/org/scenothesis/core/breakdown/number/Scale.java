package org.scenothesis.core.breakdown.number;

import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Staging;

/// Filming something so that it looks `factor` times its size.
///
/// Source: similar triangles at the same view angle; time by Froude, length over gravity.
public record Scale(double factor) {
    public Scale {
        Check.range("factor", factor, 1e-4, 1e4);
    }

    /// Where the element's camera stands, in metres from the subject, when the background's stands `backgroundM` from its place.
    public double distanceM(double backgroundM) {
        return backgroundM / factor;
    }

    /// Height of the element's lens above the subject's floor, when the background's is `backgroundM` above its ground and the subject is
    /// to stand `surfaceM` above that; below 0 where no lens can stand.
    public double lensM(double backgroundM, double surfaceM) {
        return (backgroundM - surfaceM) / factor;
    }

    /// How much longer everything lasts; a giant moves slowly, a small one quickly.
    public double time() {
        return Staging.timeFactor(factor);
    }

    /// What is wrong with the foreshortening when the room ends at `roomM`: the difference of depth over distance of the two set-ups.
    public double foreshortening(double depthM, double backgroundM, double roomM) {
        double wanted = depthM / distanceM(backgroundM);
        double got = depthM / Math.min(roomM, distanceM(backgroundM));
        return got - wanted;
    }
}
