package org.scenothesis.media;

import java.nio.file.Path;
import org.scenothesis.core.shot.ColourInterpretation;

/// A file or folder of stills, and how its code values are to be read.
public record FootageSource(Path path, ColourInterpretation reading) {
    public static FootageSource of(Path path) {
        return new FootageSource(path, ColourInterpretation.AS_FILED);
    }
}
