package org.scenothesis.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import org.scenothesis.media.DiskTrouble;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.store.UserFolder;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/// Starts a command and turns its failures into sentences and exit codes.
@Command(
        name = "scenothesis",
        description = "Breaks an illusion into plates, proves that they belong together, keys and layers them.",
        mixinStandardHelpOptions = true,
        version = "Scenothesis 0.1",
        subcommands = {
            LockCommand.class, PerspectiveCommand.class, LightCommand.class, CompareCommand.class, BackgroundCommand.class, SolveCommand.class, KeyCommand.class, BreakdownCommand.class, RenderCommand.class, RehearseCommand.class, InfoCommand.class,
            FindingsCommand.class, IllusionsCommand.class, ShotListCommand.class, SunCommand.class, EarlierCommand.class, LeftoversCommand.class,
            TakeCommand.class, NewCommand.class, BringCommand.class, LayersCommand.class, ShotsCommand.class, TrackCommand.class, TrailsCommand.class, SoundCommand.class, StageCommand.class, KitCommand.class, CommandLine.HelpCommand.class
        },
        footer = {"", "With a window: scenothesis [FOLDER] (a new or empty one begins a production), scenothesis demo [--bench NAME] [--snapshot FILE.png]"})
public final class Main {
    public static void main(String[] args) {
        System.exit(run(new PrintWriter(System.out, true, StandardCharsets.UTF_8), new PrintWriter(System.err, true, StandardCharsets.UTF_8), args));
    }

    /// Runs a command line and returns its exit code.
    public static int run(PrintWriter printed, PrintWriter complained, String... args) {
        PrintWriter out = new PrintWriter(new PlainWriter(printed), true);
        PrintWriter err = new PrintWriter(new PlainWriter(complained), true);
        CommandLine line = new CommandLine(new Main());
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
            err.println("there is not enough memory for this; use smaller pictures, or start with SCENOTHESIS_HEAP=4g.");
            return 1;
        } catch (Error | RuntimeException e) {
            err.println(unexpected(e));
            return 1;
        }
    }

    private static String sentence(Exception e) {
        if (e instanceof FootageException || e instanceof StoreException || e instanceof InputException || e instanceof IllegalArgumentException) {
            return String.valueOf(e.getMessage());
        }
        if (e instanceof Stopped) {
            return "stopped; what was finished stays.";
        }
        String why = DiskTrouble.why(e);
        return why != null ? why : unexpected(e);
    }

    /// Where it came from is written down for whoever mends it.
    private static String unexpected(Throwable e) {
        LoggerFactory.getLogger(Main.class).error("a command failed", e);
        return "something went wrong inside Scenothesis (" + String.valueOf(e).replace('\n', ' ') + "); please report it with the command you gave and " + UserFolder.log() + ".";
    }
}
