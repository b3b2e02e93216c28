package org.scenothesis.production.store;

import java.nio.file.Path;

/// Another program wrote the production since it was read; nothing was overwritten.
public final class ChangedOutsideException extends StoreException {
    private static final long serialVersionUID = 1;

    ChangedOutsideException(Path file) {
        super(file, "another program changed the file; keep your own, take the other, or save yours beside it.");
    }
}
