package org.scenothesis.core.breakdown.light;

import org.scenothesis.core.Check;

/// Where lamps have to stand so that what they light stays even. Source: formulas, *illuminance of a small source*, I·cosθ/d², where the
/// intensity of a flat lamp falls with the same cosine.
public final class Lamps {
    private static final int ACROSS = 41;
    private static final int STEPS = 60;

    private Lamps() {}

    /// How far a key must stand from what moves so far towards and away from it, so that its light changes by no more than `stops`.
    public static double keyM(double travelM, double stops) {
        double ratio = Math.pow(2, Check.positive("stops", stops) / 2);
        return travelM / 2 * (ratio + 1) / (ratio - 1);
    }

    /// How much the light of a key at `distanceM` changes over so much movement towards and away from it, in stops.
    public static double changeStops(double distanceM, double travelM) {
        double half = Math.min(travelM / 2, 0.95 * distanceM);
        return 2 * Math.log((distanceM + half) / (distanceM - half)) / Math.log(2);
    }

    /// How much the light of a flat lamp at `distanceM`, square on a flat cloth, falls off `offM` from its middle, in stops, negative.
    public static double falloffStops(double distanceM, double offM) {
        double d2 = distanceM * distanceM;
        return 2 * Math.log(d2 / (d2 + offM * offM)) / Math.log(2);
    }

    /// How far lamps must be from a cloth so wide, so that it is lit within `stops`: one above its middle, or one at each edge.
    public static double clothM(double wideM, boolean twoSides, double stops) {
        double low = 0.01 * wideM;
        double high = 20 * wideM;
        for (int i = 0; i < STEPS; i++) {
            double mid = Math.sqrt(low * high);
            if (unevenStops(mid, wideM, twoSides) <= stops) {
                high = mid;
            } else {
                low = mid;
            }
        }
        return high;
    }

    /// The difference between the brightest and the darkest place across a cloth, in stops.
    public static double unevenStops(double distanceM, double wideM, boolean twoSides) {
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int i = 0; i < ACROSS; i++) {
            double x = wideM * (i / (ACROSS - 1.0) - 0.5);
            double lit = twoSides ? at(distanceM, x + wideM / 2) + at(distanceM, x - wideM / 2) : at(distanceM, x);
            least = Math.min(least, lit);
            most = Math.max(most, lit);
        }
        return Math.log(most / least) / Math.log(2);
    }

    private static double at(double distanceM, double offM) {
        return Math.pow(2, falloffStops(distanceM, offM));
    }
}
