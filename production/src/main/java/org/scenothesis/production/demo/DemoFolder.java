package org.scenothesis.production.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.store.UserFolder;
import org.scenothesis.production.words.Words;

/// Lays out the shipped demo production where it may be changed.
public final class DemoFolder {
    private DemoFolder() {}

    /// The shipped demo: under the application's home.
    public static Path shipped() {
        return Path.of(System.getProperty("scenothesis.home", ".")).resolve("demo").resolve("lantern-works");
    }

    /// Where this user's own copy lies.
    public static Path own() {
        return UserFolder.path().resolve("Lantern Works");
    }

    /// Makes a copy as it was shipped again; what was done in it is kept as the copy before.
    ///
    /// @throws StoreException if the shipped demo is missing, the copy is open elsewhere or cannot be written
    public static void putBack(Path target) throws StoreException {
        lay(target);
        try (ProductionFolder folder = ProductionFolder.open(target)) {
            folder.save(ProductionFolder.document(shipped()));
        }
    }

    /// Copies the shipped footage and document into `target`; a production that is there already only gets back footage that is missing.
    ///
    /// @throws StoreException if the shipped demo is missing or the target cannot be written
    public static void lay(Path target) throws StoreException {
        Path from = shipped();
        if (!Files.isDirectory(from.resolve("footage"))) {
            throw new StoreException(from, Words.of("demo-folder.the-demo-footage-is-not-there", from));
        }
        try (var files = Files.list(from.resolve("footage"))) {
            Files.createDirectories(target.resolve("footage"));
            for (Path f : files.filter(Files::isRegularFile).toList()) {
                Path to = target.resolve("footage").resolve(f.getFileName().toString());
                if (!Files.exists(to)) {
                    Files.copy(f, to);
                }
            }
        } catch (IOException e) {
            throw new StoreException(target, Words.of("demo-folder.the-demo-could-not-be-copied"), e);
        }
        if (!Files.exists(target.resolve(ProductionFolder.FILE))) {
            ProductionFolder.create(target, ProductionFolder.document(from)).close();
        }
    }
}
