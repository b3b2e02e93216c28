package org.scenothesis.studio.handover;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;

/// What was rendered, kept open while it is looked at. For one thread.
final class Rendition implements AutoCloseable {
    private @Nullable Path path;
    private @Nullable FileTime made;
    private @Nullable Footage open;

    /// The frame of a rendered file or folder that shows frame `index` of the shot, of which it begins at `from`; the nearest where it has none.
    ///
    /// @throws FootageException if it cannot be read
    /// @throws IOException if it is gone
    Picture frame(Path of, int from, int index) throws FootageException, IOException {
        FileTime now = Files.getLastModifiedTime(of);
        Footage f = open;
        if (f == null || !of.equals(path) || !now.equals(made)) {
            close();
            f = Footages.open(of);
            open = f;
            path = of;
            made = now;
        }
        return f.frame(Math.clamp(index - from, 0, f.info().frames() - 1));
    }

    @Override
    public void close() {
        if (open != null) {
            open.close();
            open = null;
        }
    }
}
