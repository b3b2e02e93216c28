package org.scenothesis.core.key;

import java.util.List;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;

/// Turns matte measures into findings.
public final class KeyJudge {
    private static final Limit SPILL = new Limit(1, 6);
    /// Nearer to the border of the cloth than this asks for care, in pixels.
    private static final Limit BORDER = new Limit(0, 8);

    private KeyJudge() {}

    /// - `evenness`: stops of the screen within the swept region, NaN if unknown; with a screen-only frame it is only to be watched.
    public static List<Finding> judge(MatteMeasures m, double evenness, boolean screenPlate, String plate, HouseRules rules) {
        Finding even = Finding.of(Measure.SCREEN_EVENNESS, plate, evenness, rules.screenStops());
        if (screenPlate && even.verdict() == Verdict.REDO && evenness <= 2 * rules.screenStops().watch()) {
            even = even.judged(Verdict.WATCH);
        }
        return List.of(
                even,
                Finding.of(Measure.GREY_INSIDE, plate, m.greyInside(), rules.matteGreyPercent()),
                Finding.of(Measure.GREY_OUTSIDE, plate, m.greyOutside(), rules.matteGreyPercent()),
                Finding.of(Measure.SPILL, plate, m.spillLeft(), SPILL),
                border(m, plate));
    }

    private static Finding border(MatteMeasures m, String plate) {
        int px = m.room().px();
        Verdict v = px < 0 ? Verdict.NOT_MEASURED : px == 0 ? Verdict.REDO : px < BORDER.watch() ? Verdict.WATCH : Verdict.HOLDS;
        return Finding.of(Measure.BORDER, plate, px < 0 ? Double.NaN : px, BORDER).judged(v).detailed((double) m.room().side().ordinal());
    }
}
