package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.scenothesis.media.FreshFile;
import org.slf4j.LoggerFactory;

/// The productions this user opened last, the latest first. Kept for the user, in no production.
///
/// A line of the file is when it was opened, its folder, and what it is called, with tabs between.
public final class RecentProductions {
    private static final String FILE = "lately-opened";
    private static final int MOST = 12;

    private RecentProductions() {}

    /// A production, when it was last opened and what it was called then; its folder may be gone by now.
    public record Entry(Path folder, Instant opened, String title) {
        public boolean there() {
            return ProductionFolder.lies(folder);
        }
    }

    /// All that are kept; none where they cannot be read.
    public static List<Entry> all() {
        List<Entry> out = new ArrayList<>();
        Path file = UserFolder.path().resolve(FILE);
        try {
            if (Files.isRegularFile(file)) {
                UserFolder.lines(file).forEach(line -> entry(line).ifPresent(out::add));
            }
        } catch (IOException e) {
            LoggerFactory.getLogger(RecentProductions.class).warn("the recent productions cannot be read", e);
        }
        return out.size() > MOST ? List.copyOf(out.subList(0, MOST)) : List.copyOf(out);
    }

    /// A line that makes no sense is none.
    private static Optional<Entry> entry(String line) {
        String[] w = line.split("\t");
        try {
            return w.length < 2 ? Optional.empty()
                    : Optional.of(new Entry(Path.of(w[1]), Instant.parse(w[0]), w.length > 2 ? w[2]
                    : String.valueOf(Path.of(w[1]).getFileName())));
        } catch (InvalidPathException | DateTimeException e) {
            return Optional.empty();
        }
    }

    /// Puts a production first.
    public static void opened(Path folder, Instant when, String title) {
        List<Entry> all = new ArrayList<>(without(folder));
        all.addFirst(new Entry(folder.toAbsolutePath().normalize(), when, title.replaceAll("\\s+", " ").strip()));
        keep(all);
    }

    /// Takes a production out of the list; its folder stays.
    public static void forget(Path folder) {
        keep(without(folder));
    }

    private static List<Entry> without(Path folder) {
        Path whole = folder.toAbsolutePath().normalize();
        return all().stream().filter(e -> !e.folder().equals(whole)).toList();
    }

    private static void keep(List<Entry> all) {
        String text = all.stream().limit(MOST).map(e -> e.opened() + "\t" + e.folder() + "\t" + e.title() + "\n")
                .collect(Collectors.joining());
        try {
            Files.createDirectories(UserFolder.path());
            FreshFile.write(UserFolder.path().resolve(FILE), text.getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            // A list that is not kept is no reason to stop anybody.
            LoggerFactory.getLogger(RecentProductions.class).warn("the recent productions cannot be kept", e);
        }
    }
}
