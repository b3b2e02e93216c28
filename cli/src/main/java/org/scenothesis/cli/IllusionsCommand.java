package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.illusion.Illusion;
import org.scenothesis.production.illusion.Illusions;
import org.scenothesis.production.illusion.RulesTable;
import org.scenothesis.production.illusion.Search;
import org.scenothesis.production.paper.PlanText;
import org.scenothesis.production.paper.PlanTree;
import org.scenothesis.production.store.ProductionFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "illusions", description = "Lists ready illusions, looks for them by the words of a sentence, shows the plan of one, or lays it into a shot.",
        mixinStandardHelpOptions = true)
final class IllusionsCommand implements Callable<Integer> {
    @Parameters(arity = "0..*", paramLabel = "WORDS", description = "Words of a sentence to look for; they are compared, not understood.")
    List<String> words = List.of();

    @Option(names = "--plan", paramLabel = "ID", description = "Show the plan of one illusion.")
    @Nullable String plan;

    @Option(names = "--table", description = "Print, as a Markdown table, which rules fire for every illusion that ships.")
    boolean table;

    @Option(names = "--lay", paramLabel = "ID", description = "Lay an illusion into a shot; needs --into and --shot.")
    @Nullable String lay;

    @Option(names = "--keep", description = "Keep the shot given by --into and --shot as an illusion of your own.")
    boolean keep;

    @Option(names = "--into", paramLabel = "PRODUCTION", description = "The production folder.")
    @Nullable Path into;

    @Option(names = "--shot", paramLabel = "ID", description = "The shot; a new one is made if there is none with this id.")
    @Nullable String shot;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        Illusions all = Illusions.with(Illusions.home());
        all.problems().forEach(p -> output.spec.commandLine().getErr().println(p));
        if (table) {
            output.out().print(RulesTable.table(Illusions.shipped().all()));
            output.out().flush();
        } else if (plan != null) {
            show(one(all, plan));
        } else if (lay != null || keep) {
            change(all);
        } else {
            list(Search.find(all.all(), String.join(" ", words)));
        }
        return 0;
    }

    private static Illusion one(Illusions all, String id) throws InputException {
        return all.all().stream().filter(i -> i.id().equals(id)).findFirst()
                .orElseThrow(() -> new InputException("there is no illusion " + id + "; see scenothesis illusions."));
    }

    private void list(List<Search.Hit> hits) {
        ObjectNode o = Output.object();
        ArrayNode found = o.putArray("illusions");
        for (Search.Hit h : hits) {
            ObjectNode at = found.addObject().put("id", h.illusion().id()).put("title", h.illusion().title()).put("story", h.illusion().story());
            Output.number(at, "score", h.score());
            at.set("matched", Output.tree(h.matched()));
            output.say(String.format("%-26s %s%s", h.illusion().id(), h.illusion().title(), h.matched().isEmpty() ? "" : "  (" + String.join(", ", h.matched()) + ")"));
        }
        if (hits.isEmpty()) {
            output.say("No ready illusion shares a word with that. Without words all are listed.");
        }
        output.print(o);
    }

    private static Shot blank(String id, int number) {
        return new Shot(id, number, "Shot " + number, "", 6, List.of(), List.of(), List.of(), List.of(), null);
    }

    private void show(Illusion i) {
        Shot s = i.into(blank("1", 1));
        DayPlan day = DayPlan.of(new Production(i.title(), List.of(s), HouseRules.DEFAULT));
        output.print(PlanTree.of(day));
        output.say(i.story());
        output.say(PlanText.of(day, s));
        output.say(PlanText.order(day, day.order().steps()));
    }

    private void change(Illusions all) throws Exception {
        if (into == null || shot == null) {
            throw new InputException("give the production with --into and the shot with --shot.");
        }
        try (ProductionFolder folder = ProductionFolder.open(into)) {
            if (keep) {
                ChosenShot.require(folder.production(), shot);
                Path file = Illusions.keep(Illusions.home(), folder.production().shot(shot));
                output.say("Kept as " + file);
                output.print(Output.object().put("file", file.toString()));
                return;
            }
            if (!folder.writable()) {
                throw new InputException(folder.path() + ": nothing was changed: this production " + folder.whyReadOnly());
            }
            Illusion i = one(all, String.valueOf(lay));
            Production p = folder.production();
            if (!p.hasShot(shot)) {
                List<Shot> more = new ArrayList<>(p.shots());
                int number = shot.matches("\\d{1,6}") ? Integer.parseInt(shot) : p.shots().stream().mapToInt(Shot::number).max().orElse(0) + 1;
                more.add(blank(shot, number));
                p = p.withShots(more);
            }
            folder.save(p.withShot(shot, i::into));
            output.say("Laid " + i.id() + " into shot " + shot + ".");
            output.print(Output.object().put("shot", shot).put("illusion", i.id()));
        }
    }
}
