package org.scenothesis.media.encode;

import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.FootageException;

/// Takes finished frames in order. Colour is straight (not premultiplied), scene-linear.
public interface FrameSink extends AutoCloseable {
    /// @throws FootageException if the frame cannot be written
    void write(Picture frame) throws FootageException;

    /// Completes the file; without it a video has no index.
    ///
    /// @throws FootageException if the end cannot be written
    @Override
    void close() throws FootageException;
}
