package org.scenothesis.production.words;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.plate.PlateNeed;

/// The words of a camera card.
public final class CardWords {
    private CardWords() {}

    /// "Camera A".
    public static String name(CameraCard c) {
        return Words.of("card.name", c.group());
    }

    /// Where it stands and what it is set to, what is sharp, what is done by hand and what is off, who leads, and what is kept on the monitor; one line each.
    public static List<String> lines(BreakdownPlan plan, CameraCard c) {
        List<String> out = new ArrayList<>();
        out.add(Words.of("card.stands", Words.number(c.lensM(), 2), Words.number(c.awayM(), 2)));
        out.add(Words.of("card.lens", Words.number(c.focalMm(), c.focalMm() < 10 ? 1 : 0), Words.number(c.fNumber(), 1)));
        String far = Double.isInfinite(c.farM()) ? Words.of("card.endless") : Words.number(c.farM(), 2) + " m";
        out.add(Words.of("card.sharp", Words.number(c.nearM(), 2), far));
        if (c.clothBlurPx() > 0) {
            out.add(Words.of("card.cloth", Words.number(c.clothBlurPx(), 1)));
        }
        out.add(Words.of("card.hand"));
        out.add(Words.of("card.off"));
        if (!c.leads().isEmpty()) {
            out.add(Words.of(c.plates().contains(c.leads()) ? "card.leads" : "card.follows", named(plan, c.leads())));
        }
        if (!c.outline().isEmpty()) {
            out.add(Words.of("card.outline", named(plan, c.outline())));
        }
        return out;
    }

    private static String named(BreakdownPlan plan, String key) {
        return plan.need(key).map((PlateNeed n) -> PlanWords.name(n)).orElse(key);
    }
}
