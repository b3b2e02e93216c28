package org.scenothesis.media.encode;

import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.scenothesis.media.FootageException;

/// Puts a sound track into a file beside its pictures.
interface SoundWriter extends AutoCloseable {
    /// Writes as much of it as the film is long, in seconds.
    ///
    /// @throws FootageException if the target cannot be written
    void copyTo(AVFormatContext into, double seconds) throws FootageException;

    @Override
    void close();
}
