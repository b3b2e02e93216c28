package org.scenothesis.production.measure;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FileStamp;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;

/// Opens takes for what is known of them without measuring; kept as long as a file stands as it stood.
final class FootageProbes {
    /// Raised whenever what is said of a file changes.
    private static final int VERSION = 7;

    private final ProductionFolder folder;
    private final MeasurementCache readings;

    FootageProbes(ProductionFolder folder, MeasurementCache readings) {
        this.folder = folder;
        this.readings = readings;
    }

    /// What a take's file looks like from outside, empty if it is not there.
    String standing(Take take) {
        return FileStamp.orNone(folder.footage(take));
    }

    FootageBrief of(Take take, String standing) {
        Path path = folder.footage(take);
        String refused = folder.refusal(path);
        if (refused != null) {
            return FootageBrief.broken(standing, refused);
        }
        String key = MeasurementCache.key("brief", VERSION, List.of(standing), take.reading());
        Optional<FootageBrief> kept = standing.isEmpty() ? Optional.empty() : readings.find(key, FootageBrief.class);
        if (kept.isPresent()) {
            return kept.get();
        }
        try (Footage f = Footages.open(folder.source(take))) {
            FootageInfo i = f.info();
            FootageBrief b = new FootageBrief(
                    i.frames(), i.seconds(), i.width(), i.height(), i.rate().framesPerSecond(), i.rate().variable(), i.frames() == 1,
                    i.coding().alpha(),
                    !i.coding().matrixNamed(), read(i), i.equivalentMm(), i.shortfall(), i.notes(), standing, "");
            readings.keep(key, b);
            return b;
        } catch (FootageException e) {
            return FootageBrief.broken(standing, e.getMessage());
        } catch (RuntimeException | OutOfMemoryError e) {
            return FootageBrief.broken(standing, Words.of("footage-probes.it-cannot-be-opened", path, e));
        }
    }

    private static String read(FootageInfo i) {
        FootageInfo.Coding c = i.coding();
        String how = Words.of("coding." + c.transfer()) + ", " + Words.of(c.fullRange() ? "coding.full" : "coding.limited");
        return c.pixelFormat().startsWith("yuv") ? how + ", " + Words.of("matrix." + c.matrix()) : how;
    }
}
