package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Shots;
import org.scenothesis.production.incoming.Collected;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "shots", description = "${bundle:shots-command.lists-the-shots-of-production}", mixinStandardHelpOptions = true)
final class ShotsCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "${bundle:breakdown-command.the-production-folder}")
    Path folder;

    @Option(names = "--add", description = "${bundle:shots-command.add-new-shot}")
    boolean add;

    @Option(names = "--shot", paramLabel = "ID", description = "${bundle:shots-command.the-shot-that-is-changed}")
    @Nullable String id;

    @Option(names = "--title", paramLabel = "WORDS", description = "${bundle:layers-command.what-it-is-called}")
    @Nullable String title;

    @Option(names = "--seconds", paramLabel = "S", description = "${bundle:shots-command.how-long-it-is}")
    @Nullable Double seconds;

    @Option(names = "--later", paramLabel = "N", description = "${bundle:shots-command.move-it-later-negative-moves}", defaultValue = "0")
    int later;

    @Option(names = "--copy", description = "Copy it.")
    boolean copy;

    @Option(names = "--away", description = "${bundle:shots-command.take-it-away-its-footage}")
    boolean away;

    @Option(names = "--collect", description = "${bundle:shots-command.copy-footage-of-all-shots}")
    boolean collect;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        try (ProductionFolder f = ProductionFolder.open(folder, add || collect || id != null)) {
            Production now = add ? Shots.added(f.production()) : f.production();
            if (id != null) {
                ChosenShot.require(now, id);
                now = changed(now, id);
            }
            int collected = 0;
            if (collect) {
                Collected c = Collected.of(f, Collected.elsewhere(f, now), output.progress("collect"));
                collected = c.paths().size();
                now = c.in(now);
                output.say(Words.count(collected, "file", "files") + " collected");
            }
            if (!now.equals(f.production())) {
                f.save(now);
            }
            ObjectNode o = Output.object();
            o.put("collected", collected);
            ArrayNode list = o.putArray("shots");
            for (Shot s : now.shots()) {
                list.addObject().put("id", s.id()).put("number", s.number()).put("title", s.title()).put("seconds", s.seconds())
                        .put("plates", s.plates().size()).put("layers", s.layers().size());
                output.say(s.id() + "  " + s.title() + ", " + Words.number(s.seconds(), 1) + " s, "
                        + Words.count(s.plates().size(), "plate", "plates") + ", " + Words.count(s.layers().size(), "layer", "layers"));
            }
            output.print(o);
        }
        return 0;
    }

    private Production changed(Production p, String shot) {
        Production now = p.withShot(shot, s -> s.withTitle(title == null ? s.title() : title).withSeconds(seconds == null ? s.seconds()
                : seconds));
        now = copy ? Shots.copied(now, shot) : now;
        now = Shots.moved(now, shot, later);
        return away ? Shots.without(now, shot) : now;
    }
}
