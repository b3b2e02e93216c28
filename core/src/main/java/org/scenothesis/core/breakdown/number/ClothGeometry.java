package org.scenothesis.core.breakdown.number;

import org.scenothesis.core.Check;

/// What a lens sees behind somebody, on a cloth that hangs there; all in metres above and along one floor.
///
/// - `lensM`: height of the lens; `distanceM`: from it to the subject; `behindM`: from the subject to the cloth.
///
/// Source: similar triangles; formulas, *cloth behind a subject*.
public record ClothGeometry(double lensM, double distanceM, double behindM) {
    /// Room round the movement, so that nothing leaves the cloth.
    public static final double MARGIN_M = 0.15;

    public ClothGeometry {
        Check.range("lensM", lensM, 0, 1e5);
        Check.range("distanceM", distanceM, 1e-3, 1e5);
        Check.range("behindM", behindM, 0, 1e3);
    }

    /// A cloth, and what lies of it on the floor.
    ///
    /// - `topM`, `bottomM`: its edges above the floor. `floorM`: how far floor cloth comes forward from it, 0 for none.
    public record Cloth(double wideM, double topM, double bottomM, double floorM) {
        /// From edge to edge.
        public double highM() {
            return topM - bottomM;
        }
    }

    private double spread() {
        return (distanceM + behindM) / distanceM;
    }

    /// Where the lens sees a height of the subject on the cloth; below 0 where it meets the floor before.
    public double seenAt(double heightM) {
        return lensM + (heightM - lensM) * spread();
    }

    /// How wide what is so wide at the subject is on the cloth.
    public double wide(double wideM) {
        return wideM * spread();
    }

    /// How far before the cloth the ray past a height of the subject meets the floor; 0 where it meets the cloth first.
    public double floorBefore(double heightM) {
        if (seenAt(heightM) >= 0 || heightM >= lensM) {
            return 0;
        }
        return distanceM + behindM - distanceM * lensM / (lensM - heightM);
    }

    /// The cloth behind what moves between two heights in so wide a stretch, with a margin all round.
    public Cloth behind(double bottomM, double topM, double wideM) {
        double floor = floorBefore(bottomM);
        double low = seenAt(bottomM) - MARGIN_M;
        return new Cloth(wide(wideM) + 2 * MARGIN_M, Math.max(MARGIN_M, seenAt(topM) + MARGIN_M), Math.max(0, low), floor > 0
                ? floor + MARGIN_M : 0);
    }
}
