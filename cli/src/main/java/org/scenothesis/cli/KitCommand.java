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
import org.scenothesis.production.words.KitWords;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "kit", description = "Lists what you own, changes it, and tells it to a shot.", mixinStandardHelpOptions = true)
final class KitCommand implements Callable<Integer> {
    @Option(names = "--add", paramLabel = "KIND[,SIZE=VALUE...]", description = "Add a thing: camera, lens, cloth.green, cloth.blue, cloth.black, lamp, stand; with its sizes, name=WORDS and count=N.")
    List<String> add = List.of();

    @Option(names = "--drop", paramLabel = "N", description = "Take the thing with this number out of the list.")
    int drop;

    @Option(names = "--export", paramLabel = "FILE.json", description = "Write the list to a file.")
    @Nullable Path export;

    @Option(names = "--import", paramLabel = "FILE.json", description = "Take the list from a file in place of yours.")
    @Nullable Path from;

    @Option(names = "--tell", paramLabel = "PRODUCTION", description = "Tell a shot what you own, where nothing else was told; needs --shot.")
    @Nullable Path tell;

    @Option(names = "--shot", paramLabel = "ID", description = "The shot that is told.")
    @Nullable String shot;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        OwnedKit kit = KitFile.read(from == null ? KitFile.home() : from);
        List<Owned> things = new ArrayList<>(kit.things());
        if (drop != 0) {
            if (drop < 1 || drop > things.size()) {
                throw new InputException("--drop " + drop + ": the list has " + things.size() + " things.");
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
            output.say("Nothing is listed yet; add things with --add.");
        }
        return 0;
    }

    private static Owned thing(String told) throws InputException {
        String[] parts = told.split(",");
        OwnedKind kind = OwnedKind.byCode(parts[0].strip()).orElseThrow(() -> new InputException("--add " + told + ": there is no such kind; there are "
                + Arrays.stream(OwnedKind.values()).map(OwnedKind::code).collect(Collectors.joining(", ")) + "."));
        Owned out = Owned.usual(kind);
        for (String p : Arrays.asList(parts).subList(1, parts.length)) {
            int equals = p.indexOf('=');
            String name = equals < 0 ? p.strip() : p.substring(0, equals).strip();
            String value = equals < 0 ? "" : p.substring(equals + 1).strip();
            try {
                out = with(out, name, value);
            } catch (IllegalArgumentException e) {
                throw new InputException("--add " + told + ": \u201c" + p + "\u201d cannot be: " + e.getMessage() + ".");
            }
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
                .orElseThrow(() -> new IllegalArgumentException("its sizes are " + o.kind().sizes().stream().map(Fact::key).collect(Collectors.joining(", "))));
        return o.with(f, Double.parseDouble(value));
    }

    private void tell(OwnedKit kit, Path folder) throws Exception {
        if (shot == null) {
            throw new InputException("--tell: say which shot with --shot.");
        }
        String id = shot;
        try (ProductionFolder f = ProductionFolder.open(folder, true)) {
            ChosenShot.require(f.production(), id);
            f.save(f.production().withShot(id, kit::told));
        }
        output.say("Told to shot " + id + ": " + String.join(", ", kit.facts().keySet()));
    }
}
