package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.store.Copies;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "earlier", description = "Lists the earlier states of a production, or puts one back, a broken production.json included.", mixinStandardHelpOptions = true)
final class EarlierCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "The production folder.")
    Path folder;

    @Option(names = "--put-back", paramLabel = "NAME", description = "One of the names listed; what is there now is kept under production.replaced.json.")
    @Nullable String name;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        List<Path> copies = Copies.in(folder);
        ObjectNode o = Output.object();
        if (name != null) {
            Path copy = copies.stream().filter(p -> p.getFileName().toString().equals(name)).findFirst()
                    .orElseThrow(() -> new InputException(folder + ": there is no earlier state " + name + "; without --put-back they are listed."));
            Path kept = Copies.putBack(folder, copy);
            o.put("put_back", name);
            o.put("kept", kept.getFileName().toString());
            output.say("put back " + name + "; what was there is kept as " + kept.getFileName());
        } else {
            ArrayNode list = o.putArray("earlier");
            copies.forEach(p -> {
                list.add(p.getFileName().toString());
                output.say(p.getFileName().toString());
            });
            if (copies.isEmpty()) {
                output.say("there are no earlier states");
            }
        }
        output.print(o);
        return 0;
    }
}
