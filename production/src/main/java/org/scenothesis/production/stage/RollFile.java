package org.scenothesis.production.stage;

import java.nio.file.Path;
import org.scenothesis.core.rehearsal.Filming;
import org.scenothesis.core.rehearsal.Roll;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;

/// A roll of the simulated camera as a file: one frame as PNG, more as a film.
///
/// - `quality`: of the film, as its format counts.
public record RollFile(Path folder, int width, int height, VideoFormat video, int quality) {
    /// Films it under its name; a film that was not finished is not left.
    ///
    /// @throws FootageException if the file cannot be written
    /// @throws Stopped if progress asks for it
    public Path film(Roll roll, Filming filming, Progress progress) throws FootageException {
        if (roll.frames() == 1) {
            Path file = folder.resolve(roll.name() + ".png");
            filming.film(roll, (i, picture, truth) -> {
                step(progress, i, 1);
                Stills.write(file, picture, Stills.Format.PNG8);
                return true;
            });
            return file;
        }
        Path file = folder.resolve(roll.name() + "." + video.extension());
        VideoSink sink = new VideoSink(file, new VideoSink.Plan(width, height, roll.rate(), video, quality, null));
        boolean whole = false;
        try {
            filming.film(roll, (i, picture, truth) -> {
                step(progress, i, roll.frames());
                sink.write(picture);
                return true;
            });
            sink.close();
            whole = true;
        } finally {
            if (!whole) {
                sink.abandon();
            }
        }
        return file;
    }

    private static void step(Progress progress, int done, int of) {
        if (!progress.at(done, of)) {
            throw new Stopped();
        }
    }
}
