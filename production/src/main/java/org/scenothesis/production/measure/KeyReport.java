package org.scenothesis.production.measure;

import java.util.List;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.ScreenModel;

/// The matte check of a take: measures at sampled frames, the worst of each, and how even the screen is where the subject goes.
public record KeyReport(int frames, ScreenModel.Source source, double evennessStops, MatteMeasures worst, List<At> samples) {
    public KeyReport {
        samples = List.copyOf(samples);
    }

    public record At(int frame, MatteMeasures measures) {}
}
