package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.production.begin.NewProduction;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "new", description = "${bundle:new-command.begins-production-in-folder}", mixinStandardHelpOptions = true)
final class NewCommand implements Callable<Integer> {
    private static final Pattern SIZE = Pattern.compile("(\\d{1,5})[x\u00d7](\\d{1,5})");

    @Parameters(index = "0", paramLabel = "FOLDER", description = "${bundle:new-command.folder-that-is-new-or}")
    Path folder;

    @Option(names = "--title", paramLabel = "WORDS", description = "${bundle:new-command.what-it-is-called-otherwise}")
    @Nullable String title;

    @Option(names = "--size", paramLabel = "WxH", description = "${bundle:new-command.size-of-the-first-shots}")
    @Nullable String size;

    @Option(names = "--rate", paramLabel = "PER_S", description = "${bundle:new-command.pictures-second-with-size}", defaultValue = "25")
    double rate;

    @Option(names = "--wonder", paramLabel = "KIND",
            description = "${bundle:new-command.illusion-of-the-first-shot} ${COMPLETION-CANDIDATES}.")
    @Nullable IllusionKind illusion;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        String called = title == null ? String.valueOf(folder.toAbsolutePath().normalize().getFileName()) : title;
        try (ProductionFolder made = new NewProduction(called, format(), illusion).in(folder)) {
            ObjectNode o = Output.object();
            o.put("folder", made.path().toString());
            o.put("title", made.production().title());
            o.put("shot", made.production().shots().getFirst().id());
            o.put("wonder", illusion == null ? "" : illusion.name().toLowerCase(Locale.ROOT));
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
            throw new InputException(Words.of("new-command.size-give-width-and-height", size));
        }
        return Entered.made(() -> new FrameFormat(Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)), rate),
                why -> new InputException("--size " + size + " --rate " + rate + ": " + why + "."));
    }
}
