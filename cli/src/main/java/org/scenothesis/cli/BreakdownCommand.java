package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.compare.Influence;
import org.scenothesis.core.breakdown.compare.PlanDifference;
import org.scenothesis.core.breakdown.compare.Weighed;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.paper.Paper;
import org.scenothesis.production.paper.PlanText;
import org.scenothesis.production.paper.PlanTree;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.DifferenceWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "breakdown", description = "${bundle:breakdown-command.says-which-plates-shot-or}",
        mixinStandardHelpOptions = true)
final class BreakdownCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "${bundle:breakdown-command.the-production-folder}")
    Path folder;

    @Option(names = "--shot", paramLabel = "ID", description = "${bundle:breakdown-command.one-shot-only-by-its}")
    @Nullable String id;

    @Option(names = "--book", paramLabel = "FILE", description = "${bundle:breakdown-command.write-the-breakdown-book-as}")
    @Nullable Path book;

    @Option(names = "--sheet", paramLabel = "FILE", description = "${bundle:breakdown-command.write-the-day-on-one}")
    @Nullable Path sheet;

    @Option(names = "--slips", paramLabel = "FILE", description = "${bundle:breakdown-command.write-slip-for-every-plate}")
    @Nullable Path slips;

    @Option(names = "--if", paramLabel = "FACT=ANSWER", description = "${bundle:breakdown-command.say-what-another-answer-would}")
    List<String> otherwise = List.of();

    @Option(names = "--plates", paramLabel = "FILE.csv", description = "${bundle:breakdown-command.write-the-plates-as-table}")
    @Nullable Path plates;

    @Option(names = "--calendar", paramLabel = "FILE.ics", description = "${bundle:breakdown-command.write-the-running-order-as}")
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
            if (!otherwise.isEmpty()) {
                if (id == null) {
                    throw new InputException(Words.of("breakdown-command.if-an-answer-belongs-to"));
                }
                PlanDifference d = difference(p.shot(id), p.houseRules());
                output.say(DifferenceWords.brief(d));
                DifferenceWords.lines(d)
                        .forEach(l -> output.say("   " + l.mark() + " " + l.what() + (l.more().isEmpty() ? "" : ": " + l.more())));
                output.print(PlanTree.of(d));
                return 0;
            }
            DayPlan day = DayPlan.of(p);
            ObjectNode o = id == null ? PlanTree.of(day) : PlanTree.of(day, p.shot(id));
            if (id != null) {
                o.setAll(PlanTree.dayOnly(day).retain("order", "minutes", "change_minutes", "cheapest_minutes", "cheapest_is_exact",
                        "light", "broken"));
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

    private PlanDifference difference(Shot shot, HouseRules rules) throws InputException {
        Shot other = shot;
        for (String o : otherwise) {
            int equals = o.indexOf('=');
            int colon = o.lastIndexOf(':', Math.max(0, equals));
            String illusion = colon < 0 ? "" : o.substring(0, colon);
            Fact fact = equals < 0 ? null : Fact.byKey(o.substring(colon + 1, equals)).orElse(null);
            if (fact == null || !fact.accepts(o.substring(equals + 1))) {
                throw new InputException("--if " + o + ": " + (fact == null ? Words.of("breakdown-command.there-is-no-such-fact")
                        : Words.of("breakdown-command.that-is-no-answer-to", (fact.isNumber() ? "a number from " + fact.low() + " to "
                        + fact.high() : String.join(", ", fact.answers())))));
            }
            if (!fact.ofSetting() && shot.illusions().stream().noneMatch(w -> w.id().equals(illusion))) {
                throw new InputException(Words.of("breakdown-command.if-that-belongs-to-an", o, shot.illusions().stream().map(w -> w.id())
                        .collect(Collectors.joining(", "))));
            }
            other = Influence.answered(other, illusion, fact, o.substring(equals + 1));
        }
        return PlanDifference.between(Weighed.of(shot, rules), Weighed.of(other, rules));
    }

    private void write(DayPlan day, ObjectNode o) throws Exception {
        if (book != null) {
            Paper.print(Paper.Kind.BOOK, day, book);
            said(o, "book", book);
        }
        if (sheet != null) {
            Paper.print(Paper.Kind.DAY, day, sheet);
            said(o, "sheet", sheet);
        }
        if (slips != null) {
            Paper.print(Paper.Kind.SLIPS, day, slips);
            said(o, "slips", slips);
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
