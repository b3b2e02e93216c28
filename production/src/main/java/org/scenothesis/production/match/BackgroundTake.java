package org.scenothesis.production.match;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.background.BackgroundMeter;
import org.scenothesis.core.background.BackgroundReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.measure.ContentHashes;
import org.scenothesis.production.measure.MeasurementCache;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.words.Words;

/// Footage measured as a background.
///
/// - `seconds`: when every frame is shown.
public record BackgroundTake(BackgroundReport report, List<Double> seconds) {
    /// Of the measuring code: what another measured is measured anew.
    private static final int VERSION = 1;

    public BackgroundTake {
        seconds = List.copyOf(seconds);
    }

    /// What was measured of this footage before, by the same code; empty where nothing was, or the file is another now.
    public static Optional<BackgroundTake> kept(MeasurementCache readings, ContentHashes contents, FootageSource source) {
        return contents.known(source.path()).flatMap(hash -> readings.find(key(hash), BackgroundTake.class));
    }

    /// Measures and keeps it.
    ///
    /// @throws FootageException if it cannot be read
    /// @throws Stopped if progress asks for it
    public static BackgroundTake kept(MeasurementCache readings, ContentHashes contents, FootageSource source, Bands bands,
            Progress progress) throws FootageException {
        try {
            String hash = contents.of(source.path(), (done, of) -> progress.at(0, 1));
            Optional<BackgroundTake> before = readings.find(key(hash), BackgroundTake.class);
            if (before.isPresent()) {
                return before.get();
            }
            BackgroundTake measured = of(source, bands, progress);
            readings.keep(key(hash), measured);
            return measured;
        } catch (IOException e) {
            throw new FootageException(source.path(), Words.of("file.could-not-be-read"));
        }
    }

    private static String key(String hash) {
        return MeasurementCache.key("background", VERSION, List.of(hash), "");
    }

    /// @throws FootageException if it cannot be read
    /// @throws Stopped if progress asks for it
    public static BackgroundTake of(FootageSource source, Bands bands, Progress progress) throws FootageException {
        try (Footage f = Footages.open(source)) {
            BackgroundMeter m = new BackgroundMeter(bands);
            List<Double> seconds = new ArrayList<>();
            int n = f.info().frames();
            for (int i = 0; i < n; i++) {
                if (!progress.at(i, n)) {
                    throw new Stopped();
                }
                m.next(f.lockFrame(i));
                seconds.add(f.info().secondsAt(i));
            }
            progress.at(n, n);
            return new BackgroundTake(m.report(), seconds);
        }
    }
}
