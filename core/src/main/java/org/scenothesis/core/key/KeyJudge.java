package org.scenothesis.core.key;

import java.util.List;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;

/// Turns matte measures into findings.
public final class KeyJudge {
    private KeyJudge() {}

    /// What was told of a subject's edges; what may be see-through follows from it.
    public enum Edge {
        /// Nobody said.
        UNTOLD,
        /// Nothing is: much of it is a fault.
        CLEAN,
        /// Some is, where hair lies loose.
        LOOSE,
        /// All may be.
        SEE_THROUGH
    }

    /// - `evenness`: stops of the screen within the swept region, NaN if unknown; with a screen-only frame it is only to be watched.
    public static List<Finding> judge(MatteMeasures m, double evenness, boolean screenPlate, Subject subject, Edge edge, HouseRules rules) {
        Finding even = Finding.of(Measure.SCREEN_EVENNESS, subject, evenness, rules);
        if (screenPlate && even.verdict() == Verdict.REDO && evenness <= 2 * rules.limit(Measure.SCREEN_EVENNESS).watch()) {
            even = even.judged(Verdict.WATCH);
        }
        return List.of(
                even,
                Finding.of(Measure.GREY_INSIDE, subject, m.greyInside(), rules),
                Finding.of(Measure.GREY_OUTSIDE, subject, m.greyOutside(), rules),
                Finding.of(Measure.SEE_THROUGH, subject, m.seeThrough(), seeThrough(edge, rules.limit(Measure.SEE_THROUGH))),
                Finding.of(Measure.SPILL, subject, m.spillLeft(), rules),
                border(m, subject, rules));
    }

    /// What of one frame asks for a hand: what neither holds nor can be left to be watched.
    public static List<Measure> needsHand(MatteMeasures m, Edge edge, HouseRules rules) {
        return judge(m, Double.NaN, true, new Subject.OfPlate(""), edge, rules).stream().filter(f -> f.verdict() == Verdict.REDO)
                .map(Finding::measure).toList();
    }

    private static Limit seeThrough(Edge edge, Limit usual) {
        double all = 100;
        return switch (edge) {
            case UNTOLD -> usual;
            case CLEAN -> new Limit(usual.holds() / 5, usual.holds());
            case LOOSE -> new Limit(Math.min(all, 2 * usual.holds()), all);
            case SEE_THROUGH -> new Limit(all, all);
        };
    }

    private static Finding border(MatteMeasures m, Subject subject, HouseRules rules) {
        int px = m.room().px();
        Verdict v = px < 0 ? Verdict.NOT_MEASURED : px == 0 ? Verdict.REDO : px < rules.limit(Measure.BORDER).watch() ? Verdict.WATCH
                : Verdict.HOLDS;
        return Finding.of(Measure.BORDER, subject, px < 0 ? Double.NaN : px, rules).judged(v).detailed((double) m.room().side().ordinal());
    }
}
