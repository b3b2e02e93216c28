package org.scenothesis.production.measure;

import java.io.IOException;
import java.nio.file.Path;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.store.ProductionFolder;

/// One measurement to be made of a take; its result goes into what is measured.
abstract class Measurement {
    /// A take of a plate.
    record Of(Plate plate, Take take) {}

    /// What measurements are made with.
    record Means(ProductionFolder folder, Readings readings, Contents contents, Briefs briefs, Bands bands) {
        /// The hash of a take's file, made now if it is not known, and remembered as what the take held.
        String content(Take take, Progress progress) throws IOException {
            String hash = contents.of(folder.footage(take), progress);
            contents.held(take.footage(), hash);
            return hash;
        }
    }

    final Means means;
    final Measured before;
    final Shot shot;
    final Of o;
    /// What was measured before, with the result in it once there is one.
    Measured result;

    Measurement(Means means, Measured before, Shot shot, Of o) {
        this.means = means;
        this.before = before;
        this.shot = shot;
        this.o = o;
        result = before;
    }

    /// Whether the result is known already; looks at no picture.
    abstract boolean recall();

    abstract void run(Progress progress) throws FootageException, IOException;

    /// What is measured, with a sentence in the place of this result.
    abstract Measured trouble(String sentence);

    /// Writes the result, if it is there, as the application ships it.
    abstract void ship(Path into) throws IOException;
}
