package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.paper.Paper;
import org.scenothesis.production.paper.PlanText;
import org.scenothesis.production.paper.PlanTree;
import org.scenothesis.production.store.ProductionFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "breakdown", description = "Says which plates a shot or a whole production needs, why, and in which order; writes the breakdown book.",
        mixinStandardHelpOptions = true)
final class BreakdownCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "The production folder.")
    Path folder;

    @Option(names = "--shot", paramLabel = "ID", description = "One shot only, by its id; without it all of them, as one day.")
    @Nullable String id;

    @Option(names = "--book", paramLabel = "FILE", description = "Write the breakdown book, as .pdf or .html.")
    @Nullable Path book;

    @Option(names = "--plates", paramLabel = "FILE.csv", description = "Write the plates as a table.")
    @Nullable Path plates;

    @Option(names = "--calendar", paramLabel = "FILE.ics", description = "Write the running order as a calendar.")
    @Nullable Path calendar;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        try (ProductionFolder f = ProductionFolder.open(folder, false)) {
            Production p = f.production();
            if (id != null) {
                ChosenShot.require(p, id);
                p = p.withShots(List.of(p.shot(id)));
            }
            DayPlan day = DayPlan.of(p);
            ObjectNode o = id == null ? PlanTree.of(day) : PlanTree.of(day, p.shot(id));
            if (id != null) {
                o.setAll(PlanTree.dayOnly(day).retain("order", "minutes", "change_minutes", "cheapest_minutes", "cheapest_is_exact", "light", "broken"));
            }
            for (Shot s : p.shots()) {
                output.say(PlanText.of(day, s));
            }
            output.say(PlanText.order(day, day.order().steps()));
            write(day, o);
            output.print(o);
            return 0;
        }
    }

    private void write(DayPlan day, ObjectNode o) throws Exception {
        if (book != null) {
            Paper.book(day, book);
            said(o, "book", book);
        }
        if (plates != null) {
            Paper.plates(day, plates);
            said(o, "plates_file", plates);
        }
        if (calendar != null) {
            Paper.calendar(day, calendar);
            said(o, "calendar", calendar);
        }
    }

    private void said(ObjectNode o, String name, Path file) {
        output.say("Written: " + file);
        o.put(name, file.toString());
    }
}
