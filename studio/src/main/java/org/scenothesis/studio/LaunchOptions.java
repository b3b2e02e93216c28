package org.scenothesis.studio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.demo.DemoFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.BenchName;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.TypeConversionException;

/// What the window is started with: `[FOLDER]` or `demo [FOLDER]`, and how it shall look first.
@Command(name = "scenothesis")
final class LaunchOptions {
    private static final String DEMO = "demo";

    @Parameters(arity = "0..2", paramLabel = "FOLDER")
    private final List<String> where = new ArrayList<>();

    @Option(names = "--fresh")
    private boolean fresh;

    @Option(names = "--findings")
    private boolean findings;

    @Option(names = "--practice", hidden = true)
    private boolean practice;

    @Option(names = "--bench", converter = BenchOf.class)
    private @Nullable BenchName bench;

    @Option(names = "--plate")
    private @Nullable String plate;

    @Option(names = "--shot")
    private @Nullable String shot;

    @Option(names = "--page")
    private @Nullable String page;

    @Option(names = "--bring")
    private @Nullable Path bring;

    @Option(names = "--snapshot")
    private @Nullable Path snapshot;

    @Option(names = "--size", converter = SizeOf.class)
    private Size size = new Size(1280, 800);

    @Option(names = "--at")
    private double seconds;

    private static final class BenchOf implements ITypeConverter<BenchName> {
        @Override
        public BenchName convert(String said) {
            return BenchName.called(said).orElseThrow(() -> new TypeConversionException(
                    Words.of("studio.there-is-no-bench-choose", said, List.of(BenchName.values()))));
        }
    }

    private record Size(int wide, int high) {}

    private static final class SizeOf implements ITypeConverter<Size> {
        @Override
        public Size convert(String said) {
            if (said.matches("\\d{3,4}x\\d{3,4}")) {
                int x = said.indexOf('x');
                Size s = new Size(Integer.parseInt(said.substring(0, x)), Integer.parseInt(said.substring(x + 1)));
                if (s.wide >= 640 && s.high >= 400 && s.wide <= 8000 && s.high <= 8000) {
                    return s;
                }
            }
            throw new TypeConversionException(Words.of("launcher.size-give-width-and-height", said));
        }
    }

    /// Reads them, and lays the demo where it is asked for.
    ///
    /// @throws CommandLine.ParameterException if they are none
    static Studio.Wish read(String... args) throws StoreException, IOException {
        LaunchOptions o = new LaunchOptions();
        CommandLine line = new CommandLine(o);
        line.parseArgs(args);
        boolean demo = !o.where.isEmpty() && o.where.getFirst().equals(DEMO);
        if (o.where.size() > (demo ? 2 : 1)) {
            throw new CommandLine.ParameterException(line, Words.of("launcher.the-option-is-not-known", o.where.getLast()));
        }
        Path folder = o.where.size() == (demo ? 2 : 1) ? Path.of(o.where.getLast()) : null;
        return new Studio.Wish(demo ? o.demo(folder) : folder, o.bench, absolute(o.snapshot), o.plate, o.seconds, o.shot, o.findings,
                o.page,
                absolute(o.bring), o.practice, o.size.wide, o.size.high);
    }

    private static @Nullable Path absolute(@Nullable Path p) {
        return p == null ? null : p.toAbsolutePath();
    }

    private Path demo(@Nullable Path folder) throws StoreException, IOException {
        Path target = folder != null ? folder : snapshot != null ? Files.createTempDirectory("scenothesis-demo") : DemoFolder.own();
        if (snapshot != null && folder == null) {
            Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(target)));
        }
        if (fresh) {
            DemoFolder.putBack(target);
        } else {
            DemoFolder.lay(target);
        }
        return target;
    }

    private static void delete(Path folder) {
        try (var files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        } catch (IOException e) {
            // A temporary folder that stays is the system's to clear.
        }
    }
}
