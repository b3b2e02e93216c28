package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.LoggerFactory;

/// Files that were never finished, since the program that made them was killed: under a name of their own beside the one they were meant
/// for.
public final class Unfinished {
    private static final Pattern NAME = Pattern.compile("\\.(.+)-[0-9a-f]{16}\\.part|\\.making-(.+)");

    private Unfinished() {}

    /// The name of what a file was meant for; null where it is no unfinished one.
    public static @Nullable String meantFor(Path p) {
        Matcher m = NAME.matcher(String.valueOf(p.getFileName()));
        return m.matches() ? m.group(1) == null ? m.group(2) : m.group(1) : null;
    }

    /// All that lie directly in a folder, in order; none where it is a link or cannot be read.
    public static List<Path> in(Path folder) {
        if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return new ArrayList<>(files.filter(p -> meantFor(p) != null && !Files.isSymbolicLink(p)).sorted().toList());
        } catch (IOException e) {
            return List.of();
        }
    }

    /// Removes what saving and bringing in left: only whoever holds the folder writes there, so nobody works on these any more.
    static void clear(Path production) {
        for (Path folder : List.of(production, production.resolve("footage"), production.resolve(Earlier.FOLDER))) {
            for (Path p : in(folder)) {
                try {
                    remove(p);
                } catch (IOException e) {
                    LoggerFactory.getLogger(Unfinished.class).debug("{} stays", p, e);
                }
            }
        }
    }

    /// Removes a file, or a folder with all in it; links are removed, not followed.
    ///
    /// @throws IOException if something stays
    public static void remove(Path p) throws IOException {
        try (Stream<Path> files = Files.walk(p)) {
            for (Path f : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(f);
            }
        }
    }
}
