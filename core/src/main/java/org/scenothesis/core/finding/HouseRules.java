package org.scenothesis.core.finding;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import org.scenothesis.core.Check;

/// The limits, schools and estimates of one production; limits as in the handbook until the house changes them.
///
/// - `parallaxPx`: residual after the best planar warp; up to its first value a moved camera can be warped back.
/// - `keyDirectionDeg`: how far the light may turn between plates of one light group. `enlargement`: pixels needed over pixels there are.
/// - `schools`: the chosen ways; what is not in it is not chosen yet.
public record HouseRules(
        Limit shiftPx,
        Limit parallaxPx,
        Limit exposureStops,
        Limit whiteBalanceMired,
        Limit screenStops,
        Limit matteGreyPercent,
        Limit keyDirectionDeg,
        Limit enlargement,
        Map<School, String> schools,
        Estimates estimates) {
    public static final HouseRules DEFAULT = new HouseRules(
            new Limit(0.25, 40), new Limit(0.3, 0.6), new Limit(0.05, 0.33), new Limit(5, 20), new Limit(0.5, 1), new Limit(0.1, 1), new Limit(5, 12),
            new Limit(1, 1.3), Map.of(), Estimates.DEFAULT);

    public HouseRules {
        for (Map.Entry<School, String> e : schools.entrySet()) {
            Check.that(e.getKey().ways().contains(e.getValue()), "the school " + e.getKey() + " has no way " + e.getValue());
        }
        schools = Collections.unmodifiableMap(schools.isEmpty() ? new EnumMap<>(School.class) : new EnumMap<>(schools));
    }

    public String school(School matter) {
        return schools.getOrDefault(matter, matter.otherwise());
    }

    public boolean follows(School matter, String way) {
        return school(matter).equals(way);
    }

    public HouseRules withSchool(School matter, String way) {
        Map<School, String> more = new EnumMap<>(School.class);
        more.putAll(schools);
        more.put(matter, way);
        return new HouseRules(
                shiftPx, parallaxPx, exposureStops, whiteBalanceMired, screenStops, matteGreyPercent, keyDirectionDeg, enlargement, more, estimates);
    }

    public HouseRules withEstimates(Estimates other) {
        return new HouseRules(
                shiftPx, parallaxPx, exposureStops, whiteBalanceMired, screenStops, matteGreyPercent, keyDirectionDeg, enlargement, schools, other);
    }
}
