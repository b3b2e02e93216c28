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
import org.scenothesis.production.illusion.ReadyMadeShot;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.illusion.RulesTable;
import org.scenothesis.production.illusion.Search;
import org.scenothesis.production.paper.PlanText;
import org.scenothesis.production.paper.PlanTree;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "illusions", description = "${bundle:illusions-command.lists-ready-illusions-looks-for}",
        mixinStandardHelpOptions = true)
final class IllusionsCommand implements Callable<Integer> {
    @Parameters(arity = "0..*", paramLabel = "WORDS", description = "${bundle:illusions-command.words-of-sentence-to-look}")
    List<String> words = List.of();

    @Option(names = "--plan", paramLabel = "ID", description = "${bundle:illusions-command.show-the-plan-of-one}")
    @Nullable String plan;

    @Option(names = "--table", description = "${bundle:illusions-command.print-as-markdown-table-which}")
    boolean table;

    @Option(names = "--lay", paramLabel = "ID", description = "${bundle:illusions-command.put-an-illusion-into-shot}")
    @Nullable String lay;

    @Option(names = "--keep", description = "${bundle:illusions-command.keep-the-shot-given-by}")
    boolean keep;

    @Option(names = "--into", paramLabel = "PRODUCTION", description = "${bundle:breakdown-command.the-production-folder}")
    @Nullable Path into;

    @Option(names = "--shot", paramLabel = "ID", description = "${bundle:illusions-command.the-shot-new-one-is}")
    @Nullable String shot;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        ReadyMadeShots all = ReadyMadeShots.with(ReadyMadeShots.home());
        all.problems().forEach(p -> output.spec.commandLine().getErr().println(p));
        if (table) {
            output.out().print(RulesTable.table(ReadyMadeShots.shipped().all()));
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

    private static ReadyMadeShot one(ReadyMadeShots all, String id) throws InputException {
        return all.all().stream().filter(i -> i.id().equals(id)).findFirst()
                .orElseThrow(() -> new InputException(Words.of("illusions-command.there-is-no-illusion-see", id)));
    }

    private void list(List<Search.Hit> hits) {
        ObjectNode o = Output.object();
        ArrayNode found = o.putArray("illusions");
        for (Search.Hit h : hits) {
            ObjectNode at = found.addObject().put("id", h.illusion().id()).put("title", h.illusion().title())
                    .put("story", h.illusion().story());
            Output.number(at, "score", h.score());
            at.set("matched", Output.tree(h.matched()));
            output.say(String.format("%-26s %s%s", h.illusion().id(), h.illusion().title(), h.matched().isEmpty() ? ""
                    : "  (" + String.join(", ", h.matched()) + ")"));
        }
        if (hits.isEmpty()) {
            output.say(Words.of("illusions-command.no-ready-illusion-shares-word"));
        }
        output.print(o);
    }

    private static Shot blank(String id, int number) {
        return new Shot(id, number, "Shot " + number, "", 6, List.of(), List.of(), List.of(), List.of(), null);
    }

    private void show(ReadyMadeShot i) {
        Shot s = i.into(blank("1", 1));
        DayPlan day = DayPlan.of(new Production(i.title(), List.of(s), HouseRules.DEFAULT));
        output.print(PlanTree.of(day));
        output.say(i.story());
        output.say(PlanText.of(day, s));
        output.say(PlanText.order(day, day.order().steps()));
    }

    private void change(ReadyMadeShots all) throws Exception {
        if (into == null || shot == null) {
            throw new InputException(Words.of("illusions-command.give-the-production-with-into"));
        }
        try (ProductionFolder folder = ProductionFolder.open(into)) {
            if (keep) {
                ChosenShot.require(folder.production(), shot);
                Path file = ReadyMadeShots.keep(ReadyMadeShots.home(), folder.production().shot(shot));
                output.say("Kept as " + file);
                output.print(Output.object().put("file", file.toString()));
                return;
            }
            if (!folder.writable()) {
                throw new InputException(Words.of("illusions-command.nothing-was-changed-this-production", folder.path(),
                        folder.whyReadOnly()));
            }
            ReadyMadeShot i = one(all, String.valueOf(lay));
            Production p = folder.production();
            if (!p.hasShot(shot)) {
                List<Shot> more = new ArrayList<>(p.shots());
                int number = shot.matches("\\d{1,6}") ? Integer.parseInt(shot) : p.shots().stream().mapToInt(Shot::number).max().orElse(0)
                        + 1;
                more.add(blank(shot, number));
                p = p.withShots(more);
            }
            folder.save(p.withShot(shot, i::into));
            output.say("Laid " + i.id() + " into shot " + shot + ".");
            output.print(Output.object().put("shot", shot).put("illusion", i.id()));
        }
    }
}
