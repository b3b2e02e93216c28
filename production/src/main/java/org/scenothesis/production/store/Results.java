package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.words.Words;

/// Keeps results apart from the footage and the production they are made of.
final class Results {
    private Results() {}

    /// @throws StoreException if `target` is the production's own, its footage, or a folder that holds some
    static void apart(Path target, ProductionFolder folder) throws StoreException {
        Path real = resting(target);
        Path home = resting(folder.path());
        boolean own = real.equals(home) || real.equals(home.resolve(ProductionFolder.FILE)) || real.equals(home.resolve(Copies.PREVIOUS))
                || real.startsWith(home.resolve(Earlier.FOLDER));
        if (own || real.startsWith(home.resolve("footage"))) {
            throw new StoreException(target, Words.of("file.the-productions-own", own ? "file" : "footage"));
        }
        for (Shot s : folder.production().shots()) {
            for (Plate plate : s.plates()) {
                for (Take t : plate.takes()) {
                    Path source = resting(folder.footage(t));
                    if (real.startsWith(source) || Files.isDirectory(source) && source.startsWith(real)) {
                        throw new StoreException(target, Words.of("results.this-is-footage-of-and-is", plate.name()));
                    }
                }
            }
        }
    }

    /// The real path of what may not be there yet.
    private static Path resting(Path p) {
        Path whole = p.toAbsolutePath().normalize();
        Path parent = whole;
        while (parent != null) {
            try {
                Path real = parent.toRealPath();
                return parent.equals(whole) ? real : real.resolve(parent.relativize(whole));
            } catch (IOException e) {
                parent = parent.getParent();
            }
        }
        return whole;
    }
}
