package org.scenothesis.production.store;

import java.nio.file.Path;
import org.scenothesis.media.DiskTrouble;

/// A production that could not be opened or saved: says what, where, and what to do.
public class StoreException extends Exception {
    private static final long serialVersionUID = 1;

    public StoreException(Path path, String sentence) {
        super(path + ": " + sentence);
    }

    /// - `sentence`: with the path before it.
    StoreException(String sentence) {
        super(sentence);
    }

    public StoreException(Path path, String sentence, Throwable cause) {
        super(path + ": " + DiskTrouble.told(sentence, cause), cause);
    }
}
