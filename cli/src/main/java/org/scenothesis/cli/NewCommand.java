package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.WonderKind;
import org.scenothesis.production.store.NewProduction;
import org.scenothesis.production.store.ProductionFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "new", description = "Begins a production in a folder.", mixinStandardHelpOptions = true)
final class NewCommand implements Callable<Integer> {
    private static final Pattern SIZE = Pattern.compile("(\\d{1,5})[x\u00d7](\\d{1,5})");

    @Parameters(index = "0", paramLabel = "FOLDER", description = "A folder that is new or has no production yet; footage that lies there stays.")
    Path folder;

    @Option(names = "--title", paramLabel = "WORDS", description = "What it is called; otherwise as the folder.")
    @Nullable String title;

    @Option(names = "--size", paramLabel = "WxH", description = "Size of the first shot's pictures; otherwise that of its first footage.")
    @Nullable String size;

    @Option(names = "--rate", paramLabel = "PER_S", description = "Pictures a second, with --size.", defaultValue = "25")
    double rate;

    @Option(names = "--wonder", paramLabel = "KIND", description = "What is impossible in the first shot: ${COMPLETION-CANDIDATES}.")
    @Nullable WonderKind wonder;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        String called = title == null ? String.valueOf(folder.toAbsolutePath().normalize().getFileName()) : title;
        try (ProductionFolder made = new NewProduction(called, format(), wonder).in(folder)) {
            ObjectNode o = Output.object();
            o.put("folder", made.path().toString());
            o.put("title", made.production().title());
            o.put("shot", made.production().shots().getFirst().id());
            o.put("wonder", wonder == null ? "" : wonder.name().toLowerCase(Locale.ROOT));
            output.print(o);
            output.say("begun " + made.production().title() + " in " + made.path());
        }
        return 0;
    }

    private @Nullable FrameFormat format() throws InputException {
        if (size == null) {
            return null;
        }
        Matcher m = SIZE.matcher(size);
        if (!m.matches()) {
            throw new InputException("--size " + size + ": give width and height in pixels, for example 1920x1080.");
        }
        try {
            return new FrameFormat(Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)), rate);
        } catch (IllegalArgumentException e) {
            throw new InputException("--size " + size + " --rate " + rate + ": " + e.getMessage() + ".");
        }
    }
}
