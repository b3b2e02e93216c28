package org.scenothesis.core.breakdown.base;

import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Shot;

/// The base of a shot, and what follows from its kind for every illusion. One unit per kind.
///
/// Source: handbook, *Facts that decide more than the wonder itself*.
public sealed interface Base permits FilmedHere, FromElsewhere {
    /// The kind that was told; filmed here where nothing was.
    static Base of(Answers setting) {
        return switch (setting.choice(Answer.Base.class)) {
            case ELSEWHERE -> new FilmedElsewhere();
            case EXISTING -> new ExistingPicture();
            case HERE -> new FilmedHere();
        };
    }

    /// The group whose camera and light the performances share.
    default String performing() {
        return Case.HOME;
    }

    /// What an illusion demands, as far as this base allows it.
    default Demand demand(Demand d) {
        return d;
    }

    /// The plates of all illusions, by their keys, as they are filmed for this base.
    default Map<PlateKey, PlateNeed> plates(Shot shot, HouseRules rules, Map<PlateKey, PlateNeed> needs) {
        return needs;
    }

    /// What does not go together with it.
    ///
    /// - `asked`: the plates the illusions asked for, by their keys.
    default List<Conflict> conflicts(Shot shot, HouseRules rules, Map<PlateKey, PlateNeed> asked) {
        return List.of();
    }
}
