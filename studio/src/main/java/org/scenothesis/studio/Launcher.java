package org.scenothesis.studio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;
import javafx.application.Platform;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.demo.DemoFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// Reads what was asked for, chooses the toolkit's platform, and starts the window.
///
/// `demo [FOLDER] [--fresh] [--bench NAME] [--snapshot FILE.png] [--plate ID] [--shot ID] [--at SECONDS] [--findings] [--page NAME]
/// [--bring FILES] [--size WxH]`, or `[FOLDER]` with the same options; without anything the first window.
public final class Launcher {
    /// The toolkit's own, which would spend a tenth of a second on the sentence that it lies on the class path. Kept, or the level would be
    /// forgotten with it.
    private static final Logger TOOLKIT = Logger.getLogger("javafx");

    private static final List<String> GRAPHICS = List.of("/dev/dri", "/dev/nvidiactl", "/dev/dxg");

    private static Studio.@Nullable Wish wish;
    private static int exit;

    private Launcher() {}

    public static void main(String[] args) {
        try {
            wish = read(args);
        } catch (StoreException | IOException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        } catch (IllegalArgumentException e) {
            System.err.println(e.getMessage());
            System.exit(2);
        }
        boolean display = System.getenv("DISPLAY") != null || System.getenv("WAYLAND_DISPLAY") != null
                || !System.getProperty("os.name").toLowerCase(Locale.ROOT).contains("linux");
        if (wish().snapshot() != null || !display) {
            System.setProperty("glass.platform", "Headless");
            System.setProperty("prism.order", "sw");
            System.setProperty("prism.lcdtext", "false");
        } else if (display && System.getProperty("prism.order") == null && System.getProperty("os.name").toLowerCase(Locale.ROOT)
                .contains("linux")
                && GRAPHICS.stream().noneMatch(d -> Files.exists(Path.of(d)))) {
            // Without a graphics device the toolkit would look for one first, a fifth of a second long.
            System.setProperty("prism.order", "sw");
        }
        if (!display && wish().snapshot() == null) {
            System.err.println(Words.of("launcher.there-is-no-display-here"));
            System.exit(1);
        }
        TOOLKIT.setLevel(Level.SEVERE);
        Application.launch(Studio.class);
        System.exit(exit);
    }

    static Studio.Wish wish() {
        return Objects.requireNonNull(wish, Words.of("launcher.the-launcher-has-not-read"));
    }

    static void complain(@Nullable String sentence) {
        System.err.println(sentence);
        exit = 1;
    }

    static void fail(@Nullable String sentence) {
        complain(sentence);
        Platform.exit();
    }

    static Studio.Wish read(String[] args) throws StoreException, IOException {
        boolean demo = false;
        boolean fresh = false;
        boolean unfold = false;
        boolean practice = false;
        Path folder = null;
        Path snapshot = null;
        String bench = null;
        String plate = null;
        String shot = null;
        String page = null;
        Path bring = null;
        double seconds = 0;
        int[] size = {1280, 800};
        for (int i = 0; i < args.length; i++) {
            switch (args[i]) {
                case "demo" -> demo = true;
                case "--fresh" -> fresh = true;
                case "--findings" -> unfold = true;
                case "--practice" -> practice = true;
                case "--bench" -> bench = value(args, ++i);
                case "--plate" -> plate = value(args, ++i);
                case "--shot" -> shot = value(args, ++i);
                case "--page" -> page = value(args, ++i);
                case "--bring" -> bring = Path.of(value(args, ++i)).toAbsolutePath();
                case "--snapshot" -> snapshot = Path.of(value(args, ++i)).toAbsolutePath();
                case "--size" -> size = size(value(args, ++i));
                case "--at" -> seconds = number(value(args, ++i));
                default -> {
                    if (args[i].startsWith("-") || folder != null) {
                        throw new IllegalArgumentException(Words.of("launcher.the-option-is-not-known", args[i]));
                    }
                    folder = Path.of(args[i]);
                }
            }
        }
        if (bench != null) {
            Studio.bench(bench);
        }
        if (demo) {
            Path target = folder != null ? folder : snapshot != null ? Files.createTempDirectory("scenothesis-demo") : DemoFolder.own();
            if (snapshot != null && folder == null) {
                Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(target)));
            }
            if (fresh) {
                DemoFolder.putBack(target);
            } else {
                DemoFolder.lay(target);
            }
            folder = target;
        }
        return new Studio.Wish(folder, bench, snapshot, plate, seconds, shot, unfold, page, bring, practice, size[0], size[1]);
    }

    private static String value(String[] args, int i) {
        if (i >= args.length) {
            throw new IllegalArgumentException("the option " + args[i - 1] + " needs a value.");
        }
        return args[i];
    }

    private static int[] size(String s) {
        String[] parts = s.split("x");
        try {
            int w = Integer.parseInt(parts[0]);
            int h = Integer.parseInt(parts[1]);
            if (w >= 640 && h >= 400 && w <= 8000 && h <= 8000) {
                return new int[] {w, h};
            }
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            // Said below.
        }
        throw new IllegalArgumentException(Words.of("launcher.size-give-width-and-height", s));
    }

    private static double number(String s) {
        try {
            return Double.parseDouble(s);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Words.of("launcher.at-give-seconds-for-example", s));
        }
    }

    private static void delete(Path folder) {
        try (var files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        } catch (IOException e) {
            // A temporary folder that stays is the system's to clear.
        }
    }
}
