package org.scenothesis.studio.handover;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.scenothesis.production.words.Words;

/// Opens a folder in the system's own browser of files.
final class FolderOpener {
    private FolderOpener() {}

    private static String command() {
        String os = System.getProperty("os.name", "").toLowerCase(Locale.ROOT);
        return os.contains("mac") ? "open" : os.contains("win") ? "explorer" : "xdg-open";
    }

    /// Opens it, and says what came of it.
    static String open(Path folder) {
        if (!Files.isDirectory(folder)) {
            return Words.of("folder-opener.is-not-there-yet-the", folder);
        }
        try {
            new ProcessBuilder(List.of(command(), folder.toString())).redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
            return "Opened " + folder + ".";
        } catch (IOException e) {
            return Words.of("folder-opener.no-program-on-this-machine", folder);
        }
    }
}
