package org.scenothesis.production.measure;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.ScreenModel;

/// The matte check of a take: measures at sampled frames, the worst of each, and how even the screen is where the subject goes.
///
/// - `evennessStops` is null where nothing solid was seen before the screen, and of what is worn. `reduced`: how many times smaller the
///   pictures were measured.
/// - `clothOutline`: the garbage matte was the proposed one, round the cloth. `everyFrame`: every frame was looked at, not only some.
public record KeyReport(
        int frames, ScreenModel.Source source, @Nullable Double evennessStops, MatteMeasures worst, List<At> samples, int reduced,
        boolean clothOutline, boolean everyFrame) {
    public KeyReport {
        samples = List.copyOf(samples);
    }

    public record At(int frame, MatteMeasures measures) {}

    /// What the worst of the frames are worth. What is worn is no cloth: it can neither be lit evenly nor left.
    public List<Finding> judge(Subject subject, KeyJudge.Edge edge, HouseRules rules) {
        List<Finding> all = KeyJudge.judge(
                worst, evennessStops == null ? Double.NaN : evennessStops, source == ScreenModel.Source.SCREEN_PLATE, subject, edge, rules);
        return source != ScreenModel.Source.WORN ? all
                : all.stream().filter(f -> f.measure() != Measure.SCREEN_EVENNESS && f.measure() != Measure.BORDER).toList();
    }

    /// Those of the frames looked at that need a hand.
    public List<At> needHand(KeyJudge.Edge edge, HouseRules rules) {
        return samples.stream().filter(a -> !KeyJudge.needsHand(a.measures, edge, rules).isEmpty()).toList();
    }
}
