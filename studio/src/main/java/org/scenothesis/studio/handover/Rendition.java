package org.scenothesis.studio.handover;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.render.RenderJob;

/// What was rendered, kept open while it is looked at. For one thread.
final class Rendition implements AutoCloseable {
    private @Nullable Path path;
    private @Nullable FileTime made;
    private @Nullable Footage open;

    /// Frame `index` of the shot as it was rendered to a target; empty where nothing was, or another stretch of frames, or that frame is
    /// not in it.
    ///
    /// @throws FootageException if it cannot be read
    /// @throws IOException if it goes meanwhile
    Optional<Picture> frame(RenderJob.Target of, int index) throws FootageException, IOException {
        if (!Files.exists(of.path()) || index < of.from() || index > of.to()) {
            return Optional.empty();
        }
        FileTime now = Files.getLastModifiedTime(of.path());
        Footage f = open;
        if (f == null || !of.path().equals(path) || !now.equals(made)) {
            close();
            f = Footages.open(of.path());
            open = f;
            path = of.path();
            made = now;
        }
        return f.info().frames() == of.to() - of.from() + 1 ? Optional.of(f.frame(index - of.from())) : Optional.empty();
    }

    @Override
    public void close() {
        if (open != null) {
            open.close();
            open = null;
        }
    }
}
