package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.scenothesis.production.render.Leftovers;
import org.scenothesis.production.render.Space;
import org.scenothesis.production.store.ProductionFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "leftovers", description = "Lists what programs that were stopped left in the production: parts of renders, files in the making; or removes it.", mixinStandardHelpOptions = true)
final class LeftoversCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "The production folder.")
    Path folder;

    @Option(names = "--clear", description = "Remove them; renders then begin anew. Not while another program works in the folder.")
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
            output.say(all.isEmpty() ? "nothing is left over" : clear ? "removed" : "with --clear they are removed");
            return 0;
        }
    }
}
