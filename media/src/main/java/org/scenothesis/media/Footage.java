package org.scenothesis.media;

import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.Picture;

/// Frames of one video, still or folder of stills, by number.
///
/// Not for several threads at once; reading in order is fastest, any order is exact.
public interface Footage extends AutoCloseable {
    FootageInfo info();

    /// Frame `index` (from 0) in scene-linear light, rotated upright.
    ///
    /// @throws FootageException if that frame cannot be read
    Picture frame(int index) throws FootageException;

    /// Frame `index` averaged `times` smaller on each side, without the whole of it ever being in memory as light.
    ///
    /// @throws FootageException if that frame cannot be read
    Picture reduced(int index, int times) throws FootageException;

    /// A quick look at frame `index` for measuring: luma and a small linear picture.
    ///
    /// @throws FootageException if that frame cannot be read
    AnalysisFrame lockFrame(int index) throws FootageException;

    @Override
    void close();
}
