package org.scenothesis.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Objects;
import java.util.ResourceBundle;
import org.scenothesis.media.DiskTrouble;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.store.UserFolder;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/// Starts a command and turns its failures into sentences and exit codes.
@Command(
        name = "scenothesis",
        description = "${bundle:main.breaks-an-illusion-into-plates}",
        mixinStandardHelpOptions = true,
        version = "Scenothesis 0.1",
        subcommands = {
            LockCommand.class, PerspectiveCommand.class, LightCommand.class, CompareCommand.class, BackgroundCommand.class,
                    SolveCommand.class, KeyCommand.class, BreakdownCommand.class, RenderCommand.class, RehearseCommand.class,
                    InfoCommand.class,
            FindingsCommand.class, IllusionsCommand.class, ShotListCommand.class, SunCommand.class, EarlierCommand.class,
            LeftoversCommand.class,
            TakeCommand.class, NewCommand.class, BringCommand.class, LayersCommand.class, ShotsCommand.class, TrackCommand.class,
            TracksCommand.class, SoundCommand.class, StageCommand.class, KitCommand.class, CommandLine.HelpCommand.class
        },
        footer = {"", "${bundle:main.with-window-scenothesis-folder-new}"})
public final class Main {
    public static void main(String[] args) {
        System.exit(run(new PrintWriter(System.out, true, StandardCharsets.UTF_8),
                new PrintWriter(System.err, true, StandardCharsets.UTF_8), args));
    }

    /// Runs a command line and returns its exit code.
    public static int run(PrintWriter printed, PrintWriter complained, String... args) {
        PrintWriter out = new PrintWriter(new PlainWriter(printed), true);
        PrintWriter err = new PrintWriter(new PlainWriter(complained), true);
        CommandLine line = new CommandLine(new Main())
                .setResourceBundle(ResourceBundle.getBundle("org.scenothesis.production.words.cli", Locale.ENGLISH));
        Objects.requireNonNull(line.getSubcommands().get("layers")).getCommandSpec().usageMessage().footer(StepHelp.lines());
        line.setOut(out);
        line.setErr(err);
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setExecutionExceptionHandler((e, c, parsed) -> {
            err.println(sentence(e));
            return 1;
        });
        if (args.length == 0) {
            line.usage(err);
            return 2;
        }
        try {
            return line.execute(args);
        } catch (OutOfMemoryError e) {
            err.println(Words.of("main.there-is-not-enough-memory"));
            return 1;
        } catch (Error | RuntimeException e) {
            err.println(unexpected(e));
            return 1;
        }
    }

    private static String sentence(Exception e) {
        if (e instanceof FootageException || e instanceof StoreException || e instanceof InputException) {
            return String.valueOf(e.getMessage());
        }
        if (e instanceof IllegalArgumentException wrong) {
            return Entered.sentence(wrong);
        }
        if (e instanceof Stopped) {
            return Words.of("main.stopped-what-was-finished-stays");
        }
        String why = DiskTrouble.why(e);
        return why != null ? why : unexpected(e);
    }

    /// Where it came from is written down for whoever mends it.
    private static String unexpected(Throwable e) {
        LoggerFactory.getLogger(Main.class).error("a command failed", e);
        return Words.of("main.something-went-wrong-inside-scenothesis", String.valueOf(e).replace('\n', ' '), UserFolder.log());
    }
}
