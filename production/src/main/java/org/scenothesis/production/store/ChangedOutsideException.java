package org.scenothesis.production.store;

import java.nio.file.Path;
import org.scenothesis.production.words.Words;

/// Another program wrote the production since it was read; nothing was overwritten.
public final class ChangedOutsideException extends StoreException {
    private static final long serialVersionUID = 1;

    ChangedOutsideException(Path file) {
        super(file, Words.of("changed-outside-exception.another-program-changed-the-file-keep"));
    }
}
