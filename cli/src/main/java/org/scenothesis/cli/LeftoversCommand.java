package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.scenothesis.production.render.Leftovers;
import org.scenothesis.production.render.Space;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "leftovers", description = "${bundle:leftovers-command.lists-what-programs-that-were}", mixinStandardHelpOptions = true)
final class LeftoversCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "${bundle:breakdown-command.the-production-folder}")
    Path folder;

    @Option(names = "--clear", description = "${bundle:leftovers-command.remove-them-renders-then-start}")
    boolean clear;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        try (ProductionFolder f = ProductionFolder.open(folder, false)) {
            f.forResult(f.renders().resolve("x"));
            List<Leftovers.Leftover> all = Leftovers.of(f);
            ObjectNode o = Output.object();
            ArrayNode list = o.putArray("leftovers");
            for (Leftovers.Leftover l : all) {
                ObjectNode one = list.addObject();
                one.put("of", l.of());
                one.put("path", l.path().toString());
                one.put("bytes", l.bytes());
                output.say(l.of() + ", " + Space.size(l.bytes()));
                if (clear) {
                    Leftovers.clear(l);
                }
            }
            o.put("cleared", clear);
            output.print(o);
            output.say(all.isEmpty() ? Words.of("leftovers-command.nothing-is-left-over") : clear ? "removed"
                    : Words.of("leftovers-command.with-clear-they-are-removed"));
            return 0;
        }
    }
}
