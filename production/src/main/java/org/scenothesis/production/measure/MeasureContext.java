package org.scenothesis.production.measure;

import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.store.ProductionFolder;

/// What is measured with.
record MeasureContext(ProductionFolder folder, MeasurementCache readings, ContentHashes contents, FootageProbes briefs, Keying keying,
        Bands bands) {
    /// The hash of a take's file, made now if it is not known, and remembered as what the take held.
    String content(Take take, Progress progress) throws IOException {
        String hash = contents.of(folder.footage(take), progress);
        contents.held(take.footage(), hash);
        return hash;
    }

    /// @throws FootageException if the take may not be read
    FootageSource source(Take take) throws FootageException {
        String refused = folder.refusal(folder.footage(take));
        if (refused != null) {
            throw new FootageException(folder.footage(take), refused);
        }
        return folder.source(take);
    }

    @Nullable FootageSource sourceOrNull(@Nullable Take take) throws FootageException {
        return take == null ? null : source(take);
    }
}
