package org.scenothesis.production.illusion;

import java.util.List;
import java.util.stream.Collectors;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.PlanWords;

/// Which rules fired for a ready-made shot, as a row of a Markdown table.
public final class RulesTable {
    private RulesTable() {}

    public static String table(List<ReadyMadeShot> all) {
        return "| ready-made shot | illusions | ways | plates, * proposed | told conflicts | cautions |\n|---|---|---|---|---|---|\n"
                + all.stream().map(RulesTable::row).collect(Collectors.joining("\n")) + "\n";
    }

    static String row(ReadyMadeShot i) {
        Shot s = i.into(new Shot("1", 1, "", "", 6, List.of(), List.of(), List.of(), List.of(), null));
        BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
        String illusions = s.illusions().stream().map(w -> w.kind().name()).distinct().collect(Collectors.joining(", "));
        String ways = p.treatments().stream().map(t -> t.thing() + ": " + t.way().code() + " (" + t.because().code() + ")")
                .collect(Collectors.joining("; "));
        String plates = p.needs().stream().map(n -> PlanWords.name(n) + serving(s, n) + (n.proposed() ? " *" : ""))
                .collect(Collectors.joining("; "));
        String conflicts = p.conflicts().stream().map(c -> c.code()).distinct().collect(Collectors.joining(", "));
        String cautions = p.cautions().stream().map(c -> c.code()).collect(Collectors.joining(", "));
        return "| " + i.title() + " | " + illusions + " | " + ways + " | " + plates + " | " + conflicts + " | " + cautions + " |";
    }

    /// Which of several illusions a plate serves, by number.
    private static String serving(Shot s, PlateNeed n) {
        List<String> ids = s.illusions().stream().map(Illusion::id).toList();
        return ids.size() < 2 ? "" : n.illusions().stream().map(w -> String.valueOf(ids.indexOf(w) + 1)).sorted()
                .collect(Collectors.joining("", " (", ")"));
    }
}
