package org.scenothesis.studio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;
import javafx.application.Platform;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;
import picocli.CommandLine;

/// Reads what was asked for, chooses the toolkit's platform, and starts the window.
///
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
            wish = LaunchOptions.read(args);
        } catch (StoreException | IOException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        } catch (CommandLine.ParameterException | IllegalArgumentException e) {
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
}
