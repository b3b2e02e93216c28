package org.scenothesis.media;

import java.nio.file.Path;
import org.scenothesis.core.shot.Reading;

/// A file or folder of stills, and how its code values are to be read.
public record FootageSource(Path path, Reading reading) {
    public static FootageSource of(Path path) {
        return new FootageSource(path, Reading.AS_FILED);
    }
}
