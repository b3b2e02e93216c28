package org.scenothesis.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.words.Words;

/// Keeps results apart from what they are made of.
final class Outputs {
    private Outputs() {}

    /// @throws InputException if `out` is one of the inputs, or a folder of stills that is one
    static void apart(Path out, @Nullable Path... inputs) throws InputException {
        for (Path in : inputs) {
            if (in != null && same(out, in)) {
                throw new InputException(Words.of("outputs.this-is-footage-that-is", out));
            }
        }
    }

    private static boolean same(Path a, Path b) {
        try {
            return Files.exists(a) && Files.exists(b) && Files.isSameFile(a, b);
        } catch (IOException e) {
            return a.toAbsolutePath().normalize().equals(b.toAbsolutePath().normalize());
        }
    }
}
