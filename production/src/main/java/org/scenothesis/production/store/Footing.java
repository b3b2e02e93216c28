package org.scenothesis.production.store;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;

/// Keeps the paths of a production inside its folder.
final class Footing {
    private Footing() {}

    /// @throws StoreException if `relative` is absolute, leaves the folder, or is no path at all
    static void check(Path file, String relative) throws StoreException {
        try {
            Path p = Path.of(relative);
            if (p.isAbsolute() || p.normalize().startsWith("..") || relative.contains("\0") || relative.isBlank()) {
                throw new StoreException(file, "the footage path \"" + relative + "\" leads out of the production folder; bring the footage in and name it there.");
            }
        } catch (InvalidPathException e) {
            throw new StoreException(file, "the footage path \"" + relative + "\" is not a path on this system; rename the file.", e);
        }
    }
}
