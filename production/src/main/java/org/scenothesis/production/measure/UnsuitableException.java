package org.scenothesis.production.measure;

import java.nio.file.Path;
import org.scenothesis.media.FootageException;

/// Footage that can be read but not measured in the way that was asked for.
public final class UnsuitableException extends FootageException {
    private static final long serialVersionUID = 1;

    UnsuitableException(Path path, String why) {
        super(path, why);
    }
}
