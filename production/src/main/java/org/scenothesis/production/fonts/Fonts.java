package org.scenothesis.production.fonts;

import java.io.InputStream;
import java.util.List;
import java.util.Objects;

/// The type families that ship with the application, for the window and for paper.
public final class Fonts {
    private Fonts() {}

    /// A font file: the family and weight it is called by in style sheets, and its file.
    public record Face(String family, int weight, String file) {
        /// The file's bytes; to be closed by the caller.
        public InputStream open() {
            return Objects.requireNonNull(Fonts.class.getResourceAsStream(file), file);
        }
    }

    public static List<Face> all() {
        return List.of(
                new Face("Barlow", 400, "Barlow_400Regular.ttf"), new Face("Barlow", 500, "Barlow_500Medium.ttf"),
                new Face("Barlow", 600, "Barlow_600SemiBold.ttf"),
                new Face("Barlow Semi Condensed", 400, "BarlowSemiCondensed_400Regular.ttf"),
                new Face("Barlow Semi Condensed", 500, "BarlowSemiCondensed_500Medium.ttf"),
                new Face("Barlow Semi Condensed", 600, "BarlowSemiCondensed_600SemiBold.ttf"));
    }
}
