package org.scenothesis.production.paper;

import java.io.IOException;
import java.io.StringWriter;
import java.util.LinkedHashSet;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;

/// The plates of a production as comma-separated values (RFC 4180), in the order of the day.
final class PlateTable {
    private static final String[] HEAD = {
        "shot", "plate", "role", "lock", "light", "screen", "roll_s", "takes", "rolls_at", "in_frame", "out_of_frame", "why", "if_skipped",
                "notes", "proposed"
    };

    private PlateTable() {}

    static String csv(DayPlan day) {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(HEAD).get())) {
            Set<String> done = new LinkedHashSet<>();
            for (RunningOrder.Step s : day.order().steps()) {
                PlateNeed n = s.need();
                if (!done.add(s.job().shot() + "/" + n.key())) {
                    continue;
                }
                BreakdownPlan plan = day.plan(s.job().shot());
                csv.printRecord(
                        plain(s.job().shot()), plain(PlanWords.name(n)), Words.of("role." + n.role().name()), n.lockGroup(),
                        n.lightGroup(), PlanWords.screen(n.screen()),
                        Words.number(n.rollSeconds(), 1), n.length().takes(), PlanWords.clock(day.clock(s)),
                        plain(PlanWords.items(n.in())), plain(PlanWords.items(n.out())),
                        PlanWords.why(plan, n), PlanWords.skip(n), plain(String.join(" | ", PlanWords.notes(n))), n.proposed() ? "yes"
                        : "no");
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toString();
    }

    /// A cell that a table program would take for a formula gets an apostrophe before it.
    private static String plain(String cell) {
        return !cell.isEmpty() && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0 ? "'" + cell : cell;
    }
}
