package org.scenothesis.core.breakdown.light;

import org.scenothesis.core.breakdown.plate.Region;

/// How far a cloth must hang behind somebody so that the key's shadow of them is not seen on it.
///
/// - `sweep`: what moves, and from where it is seen. `fromLensDeg`, `upDeg`: where the key stands, as [KeyFacts] has it.
///
/// Source: formulas, *shadow on the cloth*: the swept envelope projected from the lamp onto the cloth, then into the camera's view.
public record ShadowGap(Region.Sweep sweep, double fromLensDeg, double upDeg) {
    /// In metres; infinite where no distance keeps it out of the picture, 0 where the key throws it towards the camera.
    public double leastM() {
        double off = Math.toRadians(Math.abs(fromLensDeg));
        if (off > Math.PI / 2) {
            return 0;
        }
        // Sideways, until its near edge has left what is seen beside the subject.
        double aside = Math.tan(off) - sweep.wideM() / 2 / sweep.awayM();
        double sideways = aside <= 1e-6 ? Double.POSITIVE_INFINITY : sweep.wideM() / aside;
        // Downwards, until its upper edge is under what is seen.
        double fall = Math.tan(Math.toRadians(upDeg)) / Math.max(1e-6, Math.cos(off));
        double down = fall + (sweep.bottomM() - sweep.lensM()) / sweep.awayM();
        double downwards = down <= 1e-6 ? Double.POSITIVE_INFINITY : (sweep.topM() - sweep.bottomM()) / down;
        return Math.min(sideways, downwards);
    }
}
