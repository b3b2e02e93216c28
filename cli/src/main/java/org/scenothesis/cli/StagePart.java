package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.store.StoreException;

/// One of the things that `stage` can do with sets, with options of its own.
interface StagePart {
    /// The name of what comes of it in `--json`.
    String name();

    boolean asked();

    /// Does it, says it, and gives what is printed of it.
    ArrayNode of(StageJob job) throws StoreException, FootageException, InputException;
}
