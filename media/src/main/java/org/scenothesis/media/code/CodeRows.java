package org.scenothesis.media.code;

import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.jspecify.annotations.Nullable;

/// Rows of a decoded frame as red, green and blue code values in [0, 1] (floats as they are), and alpha where there is one.
///
/// Not for several threads at once: room for a row is kept.
public interface CodeRows {
    /// Begins a frame.
    void of(AVFrame frame);

    /// One row; each array as long as the picture is wide.
    void row(int y, float[] r, float[] g, float[] b, float @Nullable [] a);

    /// Luma of one row, as the lock check compares it.
    void luma(int y, float[] luma);
}
