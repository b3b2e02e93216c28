package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.scenothesis.production.paper.ShotList;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "shotlist", description = "${bundle:shot-list-command.reads-shot-list-csv-and}",
        mixinStandardHelpOptions = true)
final class ShotListCommand implements Callable<Integer> {
    private static final long LARGEST = 8L << 20;

    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "${bundle:breakdown-command.the-production-folder}")
    Path folder;

    @Parameters(index = "1", paramLabel = "FILE.csv", description = "${bundle:shot-list-command.the-list-the-first-line}")
    Path file;

    @Option(names = "--add", description = "${bundle:shot-list-command.add-what-was-understood}")
    boolean add;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        ShotList list = ShotList.read(text());
        try (ProductionFolder f = ProductionFolder.open(folder, add)) {
            if (add && !f.writable()) {
                throw new InputException(Words.of("illusions-command.nothing-was-changed-this-production", f.path(), f.whyReadOnly()));
            }
            if (add) {
                f.save(list.into(f.production()));
            }
        }
        ObjectNode o = Output.object();
        ArrayNode shots = o.putArray("shots");
        list.shots().forEach(s -> {
            shots.addObject().put("id", s.id()).put("title", s.title()).put("seconds", s.seconds()).put("illusions", s.illusions().size());
            output.say(s.id() + "  " + s.title() + ", " + s.illusions().size() + (s.illusions().size() == 1 ? " illusion" : " illusions"));
        });
        ArrayNode notes = o.putArray("not_understood");
        list.notes().forEach(n -> {
            notes.addObject().put("line", n.line()).put("column", n.column()).put("text", n.text()).put("why", n.why());
            output.say("Not understood: " + n.sentence());
        });
        o.put("added", add);
        output.say(add ? "Added." : Words.of("shot-list-command.nothing-was-changed-add-adds"));
        output.print(o);
        return list.shots().isEmpty() ? 1 : 0;
    }

    private String text() throws InputException {
        try {
            if (Files.size(file) > LARGEST) {
                throw new InputException(Words.of("shot-list-command.larger-than-mb-which-no", file));
            }
            return Files.readString(file);
        } catch (MalformedInputException e) {
            throw new InputException(Words.of("shot-list-command.the-file-is-not-utf-", file));
        } catch (IOException e) {
            throw new InputException(Words.of("shot-list-command.the-file-cannot-be-read", file));
        }
    }
}
