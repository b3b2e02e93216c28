package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.LoggerFactory;

/// Places outside a production that its user allowed it to read: kept for the user, by production and real path, never in the document.
///
/// A line of the file is the real path of the production, a tab, the real path of the place.
final class Grants {
    private static final String FILE = "granted-places";

    private final Path production;
    private final Set<Path> places = ConcurrentHashMap.newKeySet();

    /// - `production`: the real path of its folder.
    Grants(Path production) {
        this.production = production;
        places.addAll(kept());
    }

    private Set<Path> kept() {
        Set<Path> out = new HashSet<>();
        try {
            Path file = UserFolder.path().resolve(FILE);
            if (Files.isRegularFile(file)) {
                for (String line : UserFolder.lines(file)) {
                    int tab = line.indexOf('\t');
                    if (tab > 0 && line.substring(0, tab).equals(production.toString())) {
                        out.add(Path.of(line.substring(tab + 1)));
                    }
                }
            }
        } catch (IOException | InvalidPathException e) {
            LoggerFactory.getLogger(Grants.class).warn("the granted places cannot be read", e);
        }
        return out;
    }

    boolean allow(Path real) {
        return places.stream().anyMatch(real::startsWith);
    }

    /// Allows a place as long as the production is open.
    void forNow(Path real) {
        places.add(real);
    }

    /// Allows a place from now on.
    ///
    /// @throws IOException if that cannot be kept
    void forGood(Path real) throws IOException {
        if (places.add(real)) {
            UserFolder.append(UserFolder.path().resolve(FILE), production + "\t" + real);
        }
    }
}
