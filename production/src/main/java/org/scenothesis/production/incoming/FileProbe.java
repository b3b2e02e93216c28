package org.scenothesis.production.incoming;

import java.nio.file.Path;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.DisplayPicture;

/// What one look at a file told.
///
/// - `cloth`, `dark`: shares of a picture that look like a screen's cloth, or have no light, in [0, 1].
/// - `stirring`: the largest difference between moments of it, in shares of the brightest code, on a coarse grid; 0 for a still.
/// - `look`: its first picture on that grid as code values; empty if it could not be read.
/// - `small`: a picture of its middle, no larger than 92 by 52 pixels; null if it could not be read.
/// - `fault`: empty, or what is wrong with it although it can be used. `problem`: empty, or why it cannot.
public record FileProbe(Path file, boolean still, double seconds, int width, int height, double cloth, double dark, double stirring,
        Look look, @Nullable DisplayPicture small, String fault, String problem) {
    static FileProbe unreadable(Path file, String problem) {
        return new FileProbe(file, false, 0, 0, 0, 0, 0, 0, Look.NONE, null, "", problem);
    }

    /// The file's name without its ending and its last number, as a plate's.
    public String named() {
        return named(file.toString());
    }

    /// The same of any path.
    public static String named(String path) {
        String name = String.valueOf(Path.of(path).getFileName());
        int dot = name.lastIndexOf('.');
        String words = (dot > 0 ? name.substring(0, dot) : name).replaceAll("[_\\-]+", " ").replaceAll("[ ]*\\d+$", "").strip();
        String out = words.isEmpty() ? name : words;
        return out.substring(0, 1).toUpperCase(Locale.ROOT) + out.substring(1);
    }

    public boolean usable() {
        return problem.isEmpty();
    }
}
