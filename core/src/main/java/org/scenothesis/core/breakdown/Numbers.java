package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.element.ElementSource;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.number.Resolution;
import org.scenothesis.core.breakdown.number.Stills;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.breakdown.plate.Storage;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;

/// Numbers of the whole shot: pixels, cloth, crop, total roll, storage.
final class Numbers {
    private Numbers() {}

    static List<Figure> of(Shot shot, HouseRules rules, Map<String, Treatment> treatments, List<PlateNeed> needs) {
        if (needs.isEmpty()) {
            return List.of();
        }
        Answers told = Answers.of(shot.setting());
        List<Figure> out = new ArrayList<>();
        double crop = Resolution.crop(told, rules);
        if (crop > 1) {
            out.add(Figure.tells(FigureKind.CROP, "", crop, "\u00d7"));
        }
        boolean existing = told.is(Answer.Base.EXISTING);
        double lines = told.number(existing ? Fact.BASE_PX : Fact.RECORD_PX);
        double background = Resolution.background(lines, told.number(Fact.FINISH_PX), crop);
        if (shot.illusions().stream().noneMatch(w -> w.kind() == IllusionKind.ELSEWHERE)) {
            out.add(Figure.tells(existing ? FigureKind.RESOLUTION_BASE : FigureKind.RESOLUTION_FRAME, "", background, "\u00d7", lines,
                    told.number(Fact.FINISH_PX)).judged(rules.limit(Measure.ENLARGEMENT).judge(background)));
        }
        for (Illusion w : shot.illusions()) {
            Answers t = Answers.of(w, shot.setting());
            boolean opening = w.kind() == IllusionKind.OPENING || w.kind() == IllusionKind.THROUGH_FRAME;
            if (opening && t.is(Answer.Source.EXISTING)) {
                double share = Math.min(1, t.number(Fact.SIZE_M) / t.number(Fact.FRAME_M));
                double need = Resolution.element(t.number(Fact.BACKGROUND_PX), 1, t.number(Fact.FINISH_PX), share, crop);
                out.add(Figure.tells(FigureKind.RESOLUTION_INSIDE, w.subject(), need, "\u00d7", t.number(Fact.BACKGROUND_PX), 100 * share)
                        .judged(rules.limit(Measure.ENLARGEMENT).judge(need)));
            }
            // What wipes the frame fills it; of anything else somebody must have said how much.
            boolean whole = w.kind() == IllusionKind.WIPED;
            if (ElementSource.brought(w.kind(), t) && (whole || t.given(Fact.FILLS))) {
                double fills = whole ? 100 : t.number(Fact.FILLS);
                double need = Resolution.element(t.number(Fact.ELEMENT_PX), 1, t.number(Fact.FINISH_PX), fills / 100, crop);
                out.add(Figure.tells(FigureKind.RESOLUTION_BROUGHT, w.subject(), need, "\u00d7", t.number(Fact.ELEMENT_PX), fills)
                        .judged(rules.limit(Measure.ENLARGEMENT).judge(need)));
            }
            if (t.given(Fact.FILLS)) {
                double need = Resolution.element(
                        t.number(Fact.RECORD_PX), t.number(Fact.FILMED_FILLS) / 100, t.number(Fact.FINISH_PX), t.number(Fact.FILLS) / 100,
                        crop);
                out.add(Figure.tells(FigureKind.RESOLUTION_ELEMENT, w.subject(), need, "\u00d7", t.number(Fact.FILLS),
                        t.number(Fact.FILMED_FILLS))
                        .judged(rules.limit(Measure.ENLARGEMENT).judge(need)));
            }
        }
        for (PlateNeed n : needs.stream().filter(x -> !x.about().isEmpty()).filter(Conflicts.onePerRegion()).toList()) {
            Region r = n.region();
            if ((n.screen() == Screen.GREEN || n.screen() == Screen.BLUE) && r.clothWideM() > 0) {
                boolean fits = r.clothWideM() <= told.number(Fact.CLOTH_WIDE_M) && r.clothHighM() <= told.number(Fact.CLOTH_HIGH_M);
                out.add(Figure.tells(FigureKind.CLOTH, n.about(), r.clothWideM(), "m", r.clothHighM(), told.number(Fact.CLOTH_WIDE_M),
                        told.number(Fact.CLOTH_HIGH_M), r.cloth().topM())
                        .judged(fits ? Verdict.HOLDS : Verdict.WATCH));
                if (r.cloth().floorM() > 0) {
                    out.add(Figure.tells(FigureKind.CLOTH_FLOOR, n.about(), r.cloth().floorM(), "m", r.clothWideM()));
                }
            }
        }
        int photographs = photographs(shot);
        double roll = needs.stream().mapToDouble(n -> n.length().takes() * n.rollSeconds()).sum();
        Storage s = Storage.of(needs, told, photographs);
        out.add(Figure.tells(FigureKind.ROLL_TOTAL, "", roll, "s", (double) needs.stream().mapToInt(n -> n.length().takes()).sum()));
        out.add(Figure.tells(FigureKind.STORAGE, "", s.gigabytes(), "GB", (double) s.cards(), (double) s.cardGigabytes()));
        return out;
    }

    private static int photographs(Shot shot) {
        return shot.illusions().stream().filter(w -> w.kind() == IllusionKind.FRAME_BY_FRAME).mapToInt(w -> {
            Answers t = Answers.of(w, shot.setting());
            return Stills.of(Math.max(0, w.toSeconds() - w.fromSeconds()), t.number(Fact.RATE), t.number(Fact.PER_FRAME_S)).all();
        }).sum();
    }
}
