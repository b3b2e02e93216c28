package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.Owned;
import org.scenothesis.core.breakdown.kit.OwnedKind;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.production.kit.KitFile;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.KitWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "kit", description = "${bundle:kit-command.lists-what-you-own-changes}", mixinStandardHelpOptions = true)
final class KitCommand implements Callable<Integer> {
    @Option(names = "--add", paramLabel = "KIND[,SIZE=VALUE...]", description = "${bundle:kit-command.add-thing-camera-lens-cloth}")
    List<String> add = List.of();

    @Option(names = "--drop", paramLabel = "N", description = "${bundle:kit-command.take-the-thing-with-this}")
    int drop;

    @Option(names = "--export", paramLabel = "FILE.json", description = "${bundle:kit-command.write-the-list-to-file}")
    @Nullable Path export;

    @Option(names = "--import", paramLabel = "FILE.json", description = "${bundle:kit-command.take-the-list-from-file}")
    @Nullable Path from;

    @Option(names = "--tell", paramLabel = "PRODUCTION", description = "${bundle:kit-command.enter-what-you-own-into}")
    @Nullable Path tell;

    @Option(names = "--shot", paramLabel = "ID", description = "${bundle:kit-command.the-shot-that-gets-it}")
    @Nullable String shot;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        OwnedKit kit = KitFile.read(from == null ? KitFile.home() : from);
        List<Owned> things = new ArrayList<>(kit.things());
        if (drop != 0) {
            if (drop < 1 || drop > things.size()) {
                throw new InputException(Words.of("kit-command.drop-the-list-has-things", drop, things.size()));
            }
            things.remove(drop - 1);
        }
        for (String a : add) {
            things.add(thing(a));
        }
        OwnedKit now = new OwnedKit(things);
        if (from != null || !now.equals(kit)) {
            KitFile.write(now, KitFile.home());
        }
        if (export != null) {
            KitFile.export(now, export);
            output.say("Written: " + export);
        }
        if (tell != null) {
            tell(now, tell);
        }
        ObjectNode o = Output.object();
        o.set("kit", KitFile.tree(now));
        o.put("file", KitFile.home().toString());
        output.print(o);
        for (int i = 0; i < things.size(); i++) {
            output.say(i + 1 + ". " + KitWords.thing(things.get(i)));
        }
        if (things.isEmpty()) {
            output.say(Words.of("kit-command.nothing-is-listed-yet-add"));
        }
        return 0;
    }

    private static Owned thing(String told) throws InputException {
        String[] parts = told.split(",");
        OwnedKind kind = OwnedKind.byCode(parts[0].strip())
                .orElseThrow(() -> new InputException(Words.of("kit-command.add-there-is-no-such", told, Arrays.stream(OwnedKind.values())
                .map(OwnedKind::code).collect(Collectors.joining(", ")))));
        Owned out = Owned.usual(kind);
        for (String p : Arrays.asList(parts).subList(1, parts.length)) {
            int equals = p.indexOf('=');
            String name = equals < 0 ? p.strip() : p.substring(0, equals).strip();
            String value = equals < 0 ? "" : p.substring(equals + 1).strip();
            Owned before = out;
            out = Entered.made(() -> with(before, name, value),
                    why -> new InputException(Words.of("kit-command.add-cannot-be", told, p, why)));
        }
        return out;
    }

    private static Owned with(Owned o, String name, String value) {
        if (name.equals("name")) {
            return o.withName(value);
        }
        if (name.equals("count")) {
            return o.withCount(Integer.parseInt(value));
        }
        Fact f = o.kind().sizes().stream().filter(x -> x.key().equals(name)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of("kit-command.its-sizes-are", o.kind().sizes().stream()
                .map(Fact::key).collect(Collectors.joining(", ")))));
        return o.with(f, Double.parseDouble(value));
    }

    private void tell(OwnedKit kit, Path folder) throws Exception {
        if (shot == null) {
            throw new InputException(Words.of("kit-command.tell-say-which-shot-with"));
        }
        String id = shot;
        try (ProductionFolder f = ProductionFolder.open(folder, true)) {
            ChosenShot.require(f.production(), id);
            f.save(f.production().withShot(id, kit::told));
        }
        output.say(Words.of("kit-command.entered-into-shot", id, String.join(", ", kit.facts().keySet())));
    }
}
