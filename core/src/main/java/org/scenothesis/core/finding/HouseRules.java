package org.scenothesis.core.finding;

/// The limits and schools of one production; defaults as in the handbook.
///
/// - `parallaxPx`: residual after the best planar warp; up to its first value a moved camera can be warped back.
/// - `cleanPlateEnds`: when the clean plate is rolled.
public record HouseRules(
        Limit shiftPx,
        Limit parallaxPx,
        Limit exposureStops,
        Limit whiteBalanceMired,
        Limit screenStops,
        Limit matteGreyPercent,
        CleanPlateEnds cleanPlateEnds) {
    public enum CleanPlateEnds {
        FIRST,
        LAST,
        BOTH
    }

    public static final HouseRules DEFAULT = new HouseRules(
            new Limit(0.25, 40), new Limit(0.3, 0.6), new Limit(0.05, 0.33), new Limit(5, 20), new Limit(0.5, 1), new Limit(0.1, 1),
            CleanPlateEnds.BOTH);
}
