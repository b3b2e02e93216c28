package org.scenothesis.core.breakdown.illusion;

import java.util.List;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.shot.PlateRole;

/// The light that an effect throws on what is around it: a lamp pass, as the house wants it.
final class Lights {
    private Lights() {}

    /// The locked frame lit by `lamp` alone. With both approaches it is proposed, for painting the light later it is needed, with a lamp in
    /// the take it is not.
    static List<PlateNeed> pass(Case c, String lamp) {
        PlateNeed pass = c.here(c.key(PlateKey.Kind.LIGHT), PlateRole.LIGHT_PASS, Reason.LIGHT, c.subject()).lasting(0, 1)
                .with(Item.support(lamp)).inGroups(Case.HOME, "");
        return switch (c.rules().approach(Approach.EFFECT_LIGHT)) {
            case "lamp" -> List.of();
            case "paint" -> List.of(pass);
            default -> List.of(pass.onlyProposed());
        };
    }
}
