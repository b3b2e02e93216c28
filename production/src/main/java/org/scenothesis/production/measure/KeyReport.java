package org.scenothesis.production.measure;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.ScreenModel;

/// The matte check of a take: measures at sampled frames, the worst of each, and how even the screen is where the subject goes.
///
/// - `evennessStops` is null where nothing solid was seen before the screen. `reduced`: how many times smaller the pictures were measured.
/// - `clothOutline`: the garbage matte was the proposed one, round the cloth. `everyFrame`: every frame was looked at, not only some.
public record KeyReport(
        int frames, ScreenModel.Source source, @Nullable Double evennessStops, MatteMeasures worst, List<At> samples, int reduced,
        boolean clothOutline, boolean everyFrame) {
    public KeyReport {
        samples = List.copyOf(samples);
    }

    public record At(int frame, MatteMeasures measures) {}

    /// Those of the frames looked at that need a hand.
    public List<At> needHand(KeyJudge.Edge edge, HouseRules rules) {
        return samples.stream().filter(a -> !KeyJudge.needsHand(a.measures, edge, rules).isEmpty()).toList();
    }
}
