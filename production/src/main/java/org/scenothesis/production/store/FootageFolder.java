package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Objects;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.words.Words;

/// The footage of a production: how files come into its folder, copied or linked, and how those that lie elsewhere are collected.
public final class FootageFolder {
    private final ProductionFolder production;
    private final Bounds bounds;

    FootageFolder(ProductionFolder production, Bounds bounds) {
        this.production = production;
        this.bounds = bounds;
    }

    /// Brings footage into the folder if it lies outside, and gives its path relative to it.
    ///
    /// @throws StoreException if it cannot be copied
    public String bringIn(Path source) throws StoreException {
        return in(source, Words.of("footage-folder.the-footage-could-not-be-copied"), (from, to) -> {
            if (Files.isDirectory(from)) {
                copyFolder(from, to);
            } else {
                copyFile(from, to);
            }
        });
    }

    /// Leaves footage where it lies and keeps a link to it in the folder, which this user may follow from now on; gives the link's path
    /// relative to the folder.
    ///
    /// @throws StoreException if it is not there, or no link can be made here
    public String linkIn(Path source) throws StoreException {
        return in(source, Words.of("footage-folder.no-link-to-it-can-be"), (from, to) -> {
            production.grant(from);
            Files.createSymbolicLink(to, from.toRealPath());
        });
    }

    /// Whether a take's file lies elsewhere: behind a link, or by a path that leads out of the folder.
    public boolean elsewhere(Take take) {
        Path at = production.footage(take);
        return Files.exists(at) && (!at.startsWith(production.path()) || Files.isSymbolicLink(at));
    }

    /// Copies a take's file that lies elsewhere into the folder, in place of the link to it, or beside that if it is a folder; gives its
    /// path relative to the production. What lies here already stays as it is.
    ///
    /// @throws StoreException if it must not be read, or cannot be copied
    public String collect(Take take) throws StoreException {
        Path at = production.footage(take);
        String refused = production.refusal(at);
        if (refused != null) {
            throw new StoreException(at, refused);
        }
        if (!elsewhere(take)) {
            return take.footage();
        }
        if (!at.startsWith(production.path())) {
            return bringIn(at);
        }
        try {
            Path real = at.toRealPath();
            if (Files.isDirectory(real)) {
                // Beside the link, which stays: no moment may find neither of the two.
                return bringIn(real);
            }
            copyFile(real, at);
            return take.footage();
        } catch (IOException e) {
            throw new StoreException(at, Words.of("footage-folder.the-footage-could-not-be-copied"), e);
        }
    }

    @FunctionalInterface
    private interface Arrival {
        void at(Path from, Path to) throws IOException, StoreException;
    }

    private String in(Path source, String otherwise, Arrival way) throws StoreException {
        Path from = source.toAbsolutePath().normalize();
        Path to = from;
        if (!from.startsWith(production.path())) {
            try {
                to = ProductionFolder.free(production.path().resolve("footage"), String.valueOf(from.getFileName()));
                bounds.forWriting(to);
                Files.createDirectories(Objects.requireNonNull(to.getParent()));
                way.at(from, to);
            } catch (IOException | UnsupportedOperationException e) {
                throw new StoreException(source, otherwise, e);
            }
        }
        return production.path().relativize(to).toString().replace('\\', '/');
    }

    private static void copyFile(Path from, Path to) throws IOException {
        try (FreshFile fresh = FreshFile.beside(to)) {
            Files.copy(from, fresh.part(), StandardCopyOption.REPLACE_EXISTING);
            fresh.place();
        }
    }

    private static void copyFolder(Path from, Path to) throws IOException {
        Path beside = FreshFile.nameBeside(to);
        Files.createDirectories(beside);
        try {
            try (var files = Files.list(from)) {
                for (Path f : files.filter(Files::isRegularFile).toList()) {
                    copyFile(f, beside.resolve(f.getFileName()));
                }
            }
            Files.move(beside, to, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            if (Files.exists(beside)) {
                Unfinished.remove(beside);
            }
        }
    }
}
