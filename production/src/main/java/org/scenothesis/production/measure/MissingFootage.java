package org.scenothesis.production.measure;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// Finds the file of a take again that was moved: by its name, and by its content where that is known from before.
public final class MissingFootage {
    private static final int DEEPEST = 8;
    private static final int MOST = 50;

    private final ProductionFolder folder;
    private final ContentHashes contents;

    public MissingFootage(ProductionFolder folder, ContentHashes contents) {
        this.folder = folder;
        this.contents = contents;
    }

    /// The file under a folder; empty if none has the name, or all of them another content.
    ///
    /// @throws StoreException if the folder cannot be searched
    public Optional<Path> find(Take take, Path under) throws StoreException {
        Path was = folder.footage(take);
        String name = String.valueOf(was.getFileName());
        Optional<String> content = contents.last(take.footage());
        try (Stream<Path> files = Files.walk(under, DEEPEST)) {
            List<Path> named = files.filter(p -> p.getFileName() != null && p.getFileName().toString().equals(name)
                    && !Files.isSymbolicLink(p) && !p.equals(was)).limit(MOST).toList();
            for (Path p : named) {
                if (content.isEmpty() || content.get().equals(contents.of(p, Progress.NONE))) {
                    return Optional.of(p);
                }
            }
            return Optional.empty();
        } catch (IOException | UncheckedIOException e) {
            throw new StoreException(under, Words.of("missing-footage.the-folder-cannot-be-searched-check"), e);
        }
    }
}
