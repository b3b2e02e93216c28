package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.words.Words;

/// Copies that can take the place of a production's file: the state before it, and the earlier ones.
public final class Copies {
    /// The state before the last save.
    static final String PREVIOUS = "production.previous.json";

    private Copies() {}

    /// All there are in a production folder, the newest first.
    public static List<Path> in(Path folder) {
        List<Path> out = new ArrayList<>();
        if (Files.isRegularFile(folder.resolve(PREVIOUS))) {
            out.add(folder.resolve(PREVIOUS));
        }
        out.addAll(Unsaved.of(folder));
        Earlier.of(folder).all().forEach(s -> out.add(s.file()));
        return out;
    }

    /// A sentence that names them; empty when there are none.
    static String named(@Nullable Path folder) {
        if (folder == null) {
            return "";
        }
        List<Path> all = in(folder);
        if (all.isEmpty()) {
            return "";
        }
        String newest = all.getFirst().startsWith(folder) ? folder.relativize(all.getFirst()).toString() : all.getFirst().toString();
        return " Earlier copies are here: " + newest + (all.size() == 1 ? "" : " and " + (all.size() - 1) + " more in " + Earlier.FOLDER)
                + "; scenothesis earlier puts one back.";
    }

    /// Puts an earlier copy in the place of a production that cannot be opened; what was there is kept beside under a name of its own.
    ///
    /// @throws StoreException if there is no such copy, or the folder is in use or cannot be written
    public static Path putBack(Path folder, Path copy) throws StoreException {
        String text;
        try {
            text = copy.toString().endsWith(".gz") ? Earlier.text(copy) : Files.readString(copy);
        } catch (IOException e) {
            throw new StoreException(copy, Words.of("copies.this-copy-cannot-be-read-choose"), e);
        }
        ProductionJson.read(copy, text, "");
        Path file = folder.resolve(ProductionFolder.FILE);
        try (FolderLock lock = new FolderLock(folder)) {
            if (!lock.take()) {
                throw new StoreException(folder, "this production " + lock.refusal());
            }
            Path kept = ProductionFolder.free(folder, "production.replaced.json");
            if (Files.exists(file, LinkOption.NOFOLLOW_LINKS)) {
                Files.move(file, kept);
            }
            FreshFile.write(file, text.getBytes(StandardCharsets.UTF_8));
            return kept;
        } catch (IOException e) {
            throw new StoreException(file, Words.of("copies.the-copy-could-not-be-put"), e);
        }
    }
}
