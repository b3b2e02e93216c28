package org.scenothesis.production;

import java.nio.file.Files;
import java.nio.file.Path;
import org.scenothesis.core.shot.Production;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;

/// The document of the demo as it is shipped: a production in which there is something of everything.
public final class Lantern {
    private Lantern() {}

    public static Production production() {
        Path home = Path.of(System.getProperty("scenothesis.home", ".."));
        Path shipped = (Files.exists(home.resolve("demo/lantern-works")) ? home : Path.of("..")).resolve("demo/lantern-works");
        try {
            return ProductionFolder.document(shipped);
        } catch (StoreException e) {
            throw new AssertionError(e);
        }
    }
}
