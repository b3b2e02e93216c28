package org.scenothesis.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;

/// Takes a working folder away.
final class Tidy {
    private Tidy() {}

    static void away(Path folder) throws IOException {
        try (var files = Files.walk(folder)) {
            for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(p);
            }
        }
    }
}
