package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.words.Words;

/// Keeps what a production reads and writes inside its folder: the real path of everything lies there, or in a place its user granted.
///
/// Productions come from strangers: a link in one must not lead the program to other files.
final class Bounds {
    private static final List<String> OWN = List.of(ProductionFolder.FILE, ".lock", "footage", "renders", "paper", ".cache",
            Earlier.FOLDER);
    private static final long MOST_FILES = 200_000;

    private final Path folder;
    private final Path real;
    private final Grants grants;

    /// @throws IOException if the folder is not there
    Bounds(Path folder) throws IOException {
        this.folder = folder;
        real = folder.toRealPath();
        grants = new Grants(real);
    }

    Grants grants() {
        return grants;
    }

    /// @throws StoreException if `relative`, as a document names footage, is absolute, leaves the folder, or is no path at all
    static void check(Path file, String relative) throws StoreException {
        String shown = relative.replace('\0', '?');
        try {
            Path p = Path.of(relative);
            if (p.isAbsolute() || p.normalize().startsWith("..")) {
                throw new StoreException(file, Words.of("bounds.the-footage-path-leads-out-of", shown));
            }
            if (relative.isBlank() || p.normalize().toString().isEmpty()) {
                throw new StoreException(file, Words.of("bounds.the-footage-path-names-no-file", shown));
            }
        } catch (InvalidPathException e) {
            throw new StoreException(file, Words.of("bounds.the-footage-path-is-not-a", shown));
        }
    }

    /// Why something must not be read, as a sentence; null when it may. What is not there may be.
    @Nullable String refusal(Path p) {
        try {
            if (!Files.exists(p)) {
                return Files.isSymbolicLink(p) ? Words.of("bounds.is-a-link-to-something-that", p) : null;
            }
            Path there = p.toRealPath();
            if (!allowed(there)) {
                return leads(p, there);
            }
            if (Files.isDirectory(there)) {
                try (Stream<Path> files = Files.list(there)) {
                    for (Path f : files.limit(MOST_FILES).filter(Files::isSymbolicLink).toList()) {
                        if (Files.exists(f) && !allowed(f.toRealPath())) {
                            return leads(f, f.toRealPath());
                        }
                    }
                }
            }
            return null;
        } catch (IOException e) {
            return Words.of("bounds.it-cannot-be-looked-at-check", p);
        }
    }

    private boolean allowed(Path there) {
        return there.startsWith(real) || grants.allow(there);
    }

    private static String leads(Path link, Path to) {
        return Words.of("bounds.leads-out-of-the-production-to", link, to);
    }

    /// Whether the program may make or replace a file there: the nearest folder that exists really lies in the production or a granted
    /// place.
    ///
    /// @throws StoreException if not
    Path forWriting(Path p) throws StoreException {
        Path whole = p.toAbsolutePath().normalize();
        try {
            if (Files.isDirectory(whole)) {
                if (allowed(whole.toRealPath())) {
                    return whole;
                }
                throw outside(whole, whole.toRealPath());
            }
            Path parent = whole.getParent();
            while (parent != null && !Files.exists(parent, LinkOption.NOFOLLOW_LINKS)) {
                parent = parent.getParent();
            }
            if (parent == null || !allowed(parent.toRealPath())) {
                throw outside(whole, parent == null ? whole : parent.toRealPath());
            }
            return whole;
        } catch (IOException e) {
            throw new StoreException(whole, Words.of("file.folder-cannot-be-looked-at"), e);
        }
    }

    private static StoreException outside(Path p, Path real) {
        return new StoreException(p, Words.of("bounds.it-is-outside-the-production-in", real));
    }

    /// The program's own names in the folder that are links leading out, as sentences.
    List<String> strayLinks() {
        List<String> out = new ArrayList<>();
        for (String name : OWN) {
            Path p = folder.resolve(name);
            if (Files.isSymbolicLink(p)) {
                String why = Files.exists(p) ? refusal(p) : Words.of("bounds.is-a-link-to-nothing", p);
                if (why != null) {
                    out.add(why);
                }
            }
        }
        return out;
    }
}
