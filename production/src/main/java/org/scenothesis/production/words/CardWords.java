package org.scenothesis.production.words;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.number.CrowdTable;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;

/// The words of a camera card, and of a crowd's table.
public final class CardWords {
    private CardWords() {}

    /// "Camera A".
    public static String name(CameraCard c) {
        return Words.of("card.name", c.group());
    }

    /// Where it stands and what it is set to, what is sharp, what is done by hand and what is off, who leads, and what is kept on the
    /// monitor; one line each.
    public static List<String> lines(BreakdownPlan plan, CameraCard c) {
        List<String> out = new ArrayList<>();
        out.add(c.lensM() <= 0 ? Words.of("card.nowhere")
                : Words.of("card.stands", Words.number(c.lensM(), 2), Words.number(c.awayM(), 2)));
        out.add(Words.of("card.lens", Words.number(c.focalMm(), c.focalMm() < 10 ? 1 : 0), Words.number(c.fNumber(), 1)));
        String far = Double.isInfinite(c.farM()) ? Words.of("card.endless") : Words.number(c.farM(), 2) + " m";
        out.add(Words.of("card.sharp", Words.number(c.nearM(), 2), far));
        if (c.clothBlurPx() > 0) {
            out.add(Words.of("card.cloth", Words.number(c.clothBlurPx(), 1)));
        }
        if (!c.assumed().isEmpty()) {
            out.add(Words.of("card.assumed", assumed(c)));
        }
        out.add(c.whiteK() > 0 ? Words.of("card.hand.white", Words.number(c.whiteK(), 0)) : Words.of("card.hand"));
        out.add(Words.of("card.off"));
        PlateKey leads = c.leads();
        if (leads != null) {
            out.add(Words.of(c.plates().contains(leads) ? "card.leads" : "card.follows", named(plan, leads)));
        }
        PlateKey outline = c.outline();
        if (outline != null) {
            out.add(Words.of("card.outline", named(plan, outline)));
        }
        return out;
    }

    /// "The guests: 16 performances on 16 marks for 40 places".
    public static String crowd(CrowdTable t) {
        return PlanWords.capital(Words.of("crowd.head", t.about(), t.performances(), t.rows().size()));
    }

    /// The heads of the columns of a crowd's table.
    public static List<String> crowdHeads() {
        return List.of(Words.of("crowd.performance"), Words.of("crowd.places"), Words.of("crowd.direction"), Words.of("crowd.mark"),
                Words.of("crowd.repeats"));
    }

    /// One line for each performance: where it stands first, from where it is filmed, and where it is seen again.
    public static List<List<String>> crowdRows(CrowdTable t) {
        List<List<String>> out = new ArrayList<>();
        for (int p = 1; p <= t.performances(); p++) {
            int performance = p;
            List<CrowdTable.Row> at = t.rows().stream().filter(r -> r.performance() == performance).toList();
            CrowdTable.Row first = at.getFirst();
            out.add(List.of(String.valueOf(p), place(first), String.valueOf(first.direction()), String.valueOf(first.mark()),
                    at.stream().filter(CrowdTable.Row::repeat).map(CardWords::place).collect(Collectors.joining("; "))));
        }
        return out;
    }

    private static String place(CrowdTable.Row r) {
        return Words.of("crowd.place", r.place(), r.row(), Words.of("crowd." + r.third().name()));
    }

    /// The card in one line, for a wall or a slip.
    public static String brief(CameraCard c) {
        if (c.lensM() <= 0) {
            return Words.of("card.nowhere");
        }
        String numbers = Words.of("card.brief", Words.number(c.lensM(), 2), Words.number(c.awayM(), 2),
                Words.number(c.focalMm(), c.focalMm() < 10 ? 1 : 0), Words.number(c.fNumber(), 1));
        return c.assumed().isEmpty() ? numbers : Words.of("card.brief.assumed", numbers, assumed(c));
    }

    private static String assumed(CameraCard c) {
        return c.assumed().stream().map(KitWords::size).collect(Collectors.joining(", "));
    }

    private static String named(BreakdownPlan plan, PlateKey key) {
        return plan.need(key).map((PlateNeed n) -> PlanWords.name(n)).orElse(key.code());
    }
}
