package org.scenothesis.production.match;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.background.BackgroundMeter;
import org.scenothesis.core.background.BackgroundReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;

/// Footage measured as a background.
///
/// - `seconds`: when every frame is shown.
public record BackgroundTake(BackgroundReport report, List<Double> seconds) {
    public BackgroundTake {
        seconds = List.copyOf(seconds);
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
