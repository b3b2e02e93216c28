package org.scenothesis.core.shot;

import org.scenothesis.core.value.Kind;

/// Where a shot has its sound from.
public sealed interface SoundSource {
    /// The lowest layer that was filmed with sound and runs as filmed.
    record AsFilmed() implements SoundSource {}

    /// Nowhere: it is silent.
    record Silent() implements SoundSource {}

    /// A take, of whatever plate, also one that no layer shows.
    record OfTake(String take) implements SoundSource {}

    /// A file of sound or footage, relative to the production unless absolute.
    record OfFile(String path) implements SoundSource {}

    /// The word of the command line: `as-filmed`, `silent`, `take:ID`, `file:PATH`.
    default String word() {
        return Kind.word(getClass()) + switch (this) {
            case AsFilmed f -> "";
            case Silent s -> "";
            case OfTake t -> ":" + t.take;
            case OfFile f -> ":" + f.path;
        };
    }

    /// What a word means.
    ///
    /// @throws IllegalArgumentException if it means nothing
    static SoundSource of(String word) {
        int colon = word.indexOf(':');
        String rest = word.substring(colon + 1);
        return switch (colon < 0 ? word : word.substring(0, colon)) {
            case "as-filmed" -> new AsFilmed();
            case "silent" -> new Silent();
            case "take" -> new OfTake(rest);
            case "file" -> new OfFile(rest);
            default -> throw new IllegalArgumentException("a sound is as-filmed, silent, take:ID or file:PATH, not " + word);
        };
    }
}
