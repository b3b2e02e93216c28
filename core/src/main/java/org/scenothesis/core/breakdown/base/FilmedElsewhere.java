package org.scenothesis.core.breakdown.base;

import java.util.LinkedHashMap;
import java.util.Map;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// A frame filmed by the same crew at another place: empty there, with all that only the place can give; performances follow before a
/// cloth, rebuilt after what was read there.
record FilmedElsewhere() implements FromElsewhere {
    @Override
    public Map<PlateKey, PlateNeed> plates(Shot shot, HouseRules rules, Map<PlateKey, PlateNeed> needs) {
        ScreenSetUp cloth = new ScreenSetUp(shot, rules);
        PlateKey clean = PlateKey.CLEAN;
        Map<PlateKey, PlateNeed> out = new LinkedHashMap<>();
        PlateNeed empty = needs.getOrDefault(clean, new Case(shot.illusions().isEmpty() ? ScreenSetUp.NOBODY : shot.illusions().getFirst(),
                shot, rules, Map.of()).clean(Reason.CLEAN_ELSEWHERE));
        if (!needs.isEmpty()) {
            out.put(clean, empty.as(clean, PlateRole.CLEAN, Reason.CLEAN_ELSEWHERE).recording("lens", "shadow"));
        }
        needs.forEach((key, n) -> {
            if (!key.equals(clean)) {
                out.put(key, cloth.performed(n) ? cloth.before(n).following(clean) : n);
            }
        });
        return out;
    }
}
