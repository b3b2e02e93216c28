package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.scenothesis.core.shot.Production;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.words.Words;

/// States of a production that could not be saved into it: beside it, or in the user's folder where its own could not be written. They are
/// offered when it is opened again.
public final class Unsaved {
    static final String BESIDE = "production.mine.json";
    private static final String KEPT = "production.kept.json";

    private Unsaved() {}

    private static Path ofUser() {
        return UserFolder.path().resolve("unsaved");
    }

    /// What the user's folder calls a production folder.
    private static String key(Path folder) {
        return Journal.hash(folder.toAbsolutePath().normalize().toString().getBytes(StandardCharsets.UTF_8));
    }

    /// Keeps a state in the user's folder, and gives its file.
    ///
    /// @throws StoreException if that cannot be written either
    static Path keepWithUser(Path folder, Production mine) throws StoreException {
        Path to = ProductionFolder.free(ofUser(), key(folder) + ".json");
        try {
            Files.createDirectories(ofUser());
            FreshFile.write(to, ProductionJson.write(mine, null).getBytes(StandardCharsets.UTF_8));
            return to;
        } catch (IOException e) {
            throw new StoreException(to, Words.of("unsaved.the-changes-that-are-not-saved"), e);
        }
    }

    /// All that there are of a production, the newest first.
    public static List<Path> of(Path production) {
        List<Path> out = new ArrayList<>(in(production, "production.mine"));
        out.addAll(in(ofUser(), key(production)));
        out.sort((a, b) -> Long.compare(b.toFile().lastModified(), a.toFile().lastModified()));
        return out;
    }

    private static List<Path> in(Path folder, String begins) {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.getFileName().toString().startsWith(begins) && f.getFileName().toString().endsWith(".json")
                    && Files.isRegularFile(f, LinkOption.NOFOLLOW_LINKS)).toList();
        } catch (IOException e) {
            return List.of();
        }
    }

    /// What such a file holds.
    ///
    /// @throws StoreException if it is no production
    public static Production read(Path file) throws StoreException {
        try {
            return ProductionFile.load(file).read().production();
        } catch (IOException e) {
            throw new StoreException(file, Words.of("unsaved.it-cannot-be-read-check-its"), e);
        }
    }

    /// It was looked at: the file is kept beside the production under another name, and not offered again.
    ///
    /// @throws StoreException if it cannot be moved
    public static Path settle(ProductionFolder production, Path file) throws StoreException {
        Path to = ProductionFolder.free(production.path(), KEPT);
        try {
            Files.move(file, to);
            return to;
        } catch (IOException e) {
            throw new StoreException(file, Words.of("unsaved.it-could-not-be-moved-beside"), e);
        }
    }
}
