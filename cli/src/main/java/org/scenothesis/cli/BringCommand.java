package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.incoming.Incoming;
import org.scenothesis.production.incoming.Proposal;
import org.scenothesis.production.incoming.Proposals;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "bring", description = "${bundle:bring-command.brings-footage-in-each-file}", mixinStandardHelpOptions = true)
final class BringCommand implements Callable<Integer> {
    @Mixin
    OfShot of;

    @Parameters(index = "1..*", arity = "1..*", paramLabel = "FILE", description = "${bundle:bring-command.clips-stills-or-folders-of}")
    List<Path> files;

    @Option(names = "--plate", paramLabel = "ID", description = "${bundle:bring-command.all-as-takes-of-this}")
    @Nullable String plate;

    @Option(names = "--leave", description = "${bundle:bring-command.leave-them-where-they-are}")
    boolean leave;

    @Option(names = "--only-propose", description = "${bundle:bring-command.say-what-would-be-done}")
    boolean onlyPropose;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        return of.open(!onlyPropose, (folder, s) -> {
            for (Path f : files) {
                folder.grantForNow(f);
            }
            try (Bands bands = Bands.allCores()) {
                Incoming incoming = new Incoming(folder, bands);
                List<Proposal> all = incoming.propose(s, files, output.progress("look"));
                List<Proposal> taken = told(s, all.stream().filter(Proposal::taken).toList());
                if (!onlyPropose && !taken.isEmpty()) {
                    keep(folder, s, taken, incoming.bring(taken, !leave, output.progress("bring")));
                }
                report(all.stream().filter(p -> !p.taken()).toList(), taken);
                if (taken.isEmpty()) {
                    throw new InputException(files.getFirst()
                            + (all.size() == 1 ? Words.of("bring-command.nothing-was-brought-in", all.getFirst().seen().problem())
                            : Words.of("bring-command.nothing-was-brought-in-none", all.size())));
                }
            }
        });
    }

    private List<Proposal> told(Shot s, List<Proposal> proposed) throws InputException {
        if (plate == null) {
            return proposed;
        }
        Plate p = s.plate(plate)
                .orElseThrow(() -> new InputException(Words.of("bring-command.there-is-no-plate-in", plate, s.id(),
                String.join(", ", s.plates().stream().map(Plate::id).toList()))));
        return proposed.stream().map(x -> x.told(p.id(), p.role(), p.name())).toList();
    }

    private static void keep(ProductionFolder folder, Shot s, List<Proposal> taken, List<String> paths) throws Exception {
        folder.save(folder.production().withShot(s.id(), x -> Proposals.into(x, taken, paths)));
    }

    private void report(List<Proposal> unused, List<Proposal> taken) {
        ObjectNode o = Output.object();
        ArrayNode list = o.putArray("taken");
        for (Proposal p : taken) {
            list.addObject().put("file", p.seen().file().toString()).put("plate", p.plate()).put("name", p.name())
                    .put("role", p.role().name().toLowerCase(Locale.ROOT)).put("why", p.why().name().toLowerCase(Locale.ROOT))
                    .put("fault", p.seen().fault());
            output.say(p.seen().file().getFileName() + "  \u2192  " + p.name() + ", " + Words.of("role.short." + p.role().name()) + ", "
                    + Words.of("incoming.why." + p.why().name()));
            if (!p.seen().fault().isEmpty()) {
                output.say("     " + p.seen().fault());
            }
        }
        ArrayNode not = o.putArray("not_used");
        for (Proposal p : unused) {
            not.addObject().put("file", p.seen().file().toString()).put("problem", p.seen().problem());
            output.say(p.seen().problem());
        }
        output.print(o);
    }
}
