package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.store.Copies;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "earlier", description = "${bundle:earlier-command.lists-the-earlier-states-of}", mixinStandardHelpOptions = true)
final class EarlierCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "${bundle:breakdown-command.the-production-folder}")
    Path folder;

    @Option(names = "--put-back", paramLabel = "NAME", description = "${bundle:earlier-command.one-of-the-names-listed}")
    @Nullable String name;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        List<Path> copies = Copies.in(folder);
        ObjectNode o = Output.object();
        if (name != null) {
            Path copy = copies.stream().filter(p -> p.getFileName().toString().equals(name)).findFirst()
                    .orElseThrow(() -> new InputException(Words.of("earlier-command.there-is-no-earlier-state", folder, name)));
            Path kept = Copies.putBack(folder, copy);
            o.put("put_back", name);
            o.put("kept", kept.getFileName().toString());
            output.say(Words.of("earlier-command.put-back-what-was-there", name, kept.getFileName()));
        } else {
            ArrayNode list = o.putArray("earlier");
            copies.forEach(p -> {
                list.add(p.getFileName().toString());
                output.say(p.getFileName().toString());
            });
            if (copies.isEmpty()) {
                output.say(Words.of("earlier-command.there-are-no-earlier-states"));
            }
        }
        output.print(o);
        return 0;
    }
}
