package org.scenothesis.cli;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/// The shot of a production that a command works on.
final class OfShot {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "${bundle:breakdown-command.the-production-folder}")
    Path folder;

    @Option(names = "--shot", paramLabel = "ID", description = "${bundle:of-shot.the-shot-by-its-id}")
    @Nullable String id;

    @FunctionalInterface
    interface Work {
        void on(ProductionFolder folder, Shot shot) throws Exception;
    }

    /// Exit code 0 when `work` is done.
    int open(Work work) throws Exception {
        return open(false, work);
    }

    /// The same, for writing too if `write`.
    int open(boolean write, Work work) throws Exception {
        try (ProductionFolder f = ProductionFolder.open(folder, write)) {
            if (write && !f.writable()) {
                throw new InputException(Words.of("illusions-command.nothing-was-changed-this-production", folder, f.whyReadOnly()));
            }
            work.on(f, f.production().shot(ChosenShot.of(f.production(), id)));
            return 0;
        }
    }
}
