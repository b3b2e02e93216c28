package org.scenothesis.media;

import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Transfer;

/// What a piece of footage is, read without decoding all of it.
///
/// - `width`, `height`: as shown, after rotation, in pixels.
/// - `times`: presentation time of every frame in seconds from the first; its size is the frame count.
/// - `equivalentMm`: the focal length that the file notes, as on a full frame of the same diagonal; null where it notes none.
/// - `shortfall`: what the file promises and does not hold; null where it is whole, as far as it says.
/// - `notes`: what had to be assumed or was odd, as short sentences.
public record FootageInfo(
        Path path,
        Kind kind,
        int width,
        int height,
        Rate rate,
        List<Double> times,
        Coding coding,
        @Nullable Double equivalentMm,
        @Nullable Shortfall shortfall,
        List<String> notes) {
    public FootageInfo {
        times = List.copyOf(times);
        notes = List.copyOf(notes);
    }

    public enum Kind {
        VIDEO,
        STILL,
        SEQUENCE
    }

    /// A file that ends before its own structure does.
    ///
    /// - `frames`: how many more its head promises, 0 where it promises no number. `bytes`: how many are missing at its end, at least.
    public record Shortfall(int frames, long bytes) {
        /// In words, of a file that holds so many frames.
        public String sentence(int held) {
            return frames > 0 ? "the file is cut short: it promises " + (held + frames) + " frames and holds " + held
                    + "; copy it again from the camera"
                    : "the file is cut short: it ends before its own end; copy it again from the camera";
        }
    }

    /// Frames per second; `variable` when the steps between frames differ by more than half a frame.
    public record Rate(double framesPerSecond, boolean variable) {}

    /// How the picture is stored and read; `matrixNamed` is false where the file names no matrix and one is assumed.
    public record Coding(
            String container,
            String codec,
            String pixelFormat,
            boolean fullRange,
            ColourMatrix matrix,
            boolean matrixNamed,
            Transfer transfer,
            int rotationDeg,
            boolean alpha,
            boolean audio) {}

    public int frames() {
        return times.size();
    }

    /// The frame that is shown at `seconds`, by the file's own times, which may be uneven; the first before it begins, the last after it
    /// ends.
    public int frameAt(double seconds) {
        // A little early is on time: sums of frame lengths are not exact.
        int i = Collections.binarySearch(times, seconds + 1e-6);
        return Math.clamp(i < 0 ? -i - 2 : i, 0, frames() - 1);
    }

    /// When a frame is first shown.
    public double secondsAt(int frame) {
        return times.get(frame);
    }

    public double seconds() {
        return frames() / rate.framesPerSecond();
    }
}
