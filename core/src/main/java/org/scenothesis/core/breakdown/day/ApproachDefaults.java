package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.illusion.Rules;
import org.scenothesis.core.breakdown.number.Crowd;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.number.Resolution;
import org.scenothesis.core.breakdown.number.Scale;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Lens;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;

/// What each approach would mean for one shot: its plan under every way, and the numbers that bear on the matter.
public final class ApproachDefaults {
    /// A lens small crews have, for judging how far defocus hides wrinkles: 50 mm at f/2.8 on a sensor 23.6 mm wide.
    private static final Lens COMMON = new Lens(0.05, 0.0236, 2.8);

    private ApproachDefaults() {}

    /// A plan under one way of an approach.
    public record Outcome(int plates, double setMinutes, double handHours) {}

    /// For each way of a matter, minutes of the shoot day and number of plates when the whole house follows it, by the way's code.
    public static Map<String, Outcome> outcomes(Approach matter, Shot shot, HouseRules rules) {
        Map<String, Outcome> out = new LinkedHashMap<>();
        for (String way : matter.ways()) {
            HouseRules under = rules.withApproach(matter, way);
            BreakdownPlan plan = Breakdown.plan(shot, under);
            double minutes = RunningOrder.cheapest(RunningOrder.jobs(shot, plan, under), List.of(), under.estimates()).minutes();
            out.put(way, new Outcome(plan.needs().size(), minutes, plan.handHours()));
        }
        return out;
    }

    /// The numbers that speak for or against a way in this shot, each with its unit; none where the matter has none.
    public static List<Figure> figures(Approach matter, Shot told) {
        Shot shot = Rules.assuming(told);
        Answers setting = Answers.of(shot.setting());
        return switch (matter) {
            case SCREEN_DISTANCE -> List.of(spill(setting));
            case WRINKLES -> List.of(blur(setting));
            case CAMERA_LIFE ->
                    List.of(Figure.tells(FigureKind.SCHOOL_OVERSCAN, "",
                            Resolution.crop(Answers.of(new Setting(alive(shot.setting()), null))),
                    "\u00d7", setting.number(Fact.WOBBLE_PX)));
            case COPIES -> each(shot, IllusionKind.COPIES, (w, t) -> {
                var places = Crowd.places((int) t.number(Fact.COUNT), (int) t.number(Fact.ROWS));
                Crowd c = Crowd.fewest(places, t.number(Fact.APART_SHARE) / 100);
                return Figure.tells(FigureKind.SCHOOL_COPIES, w.subject(), c.uniques(), "", (double) places.size(),
                        t.number(Fact.APART_SHARE));
            });
            case GIANTS -> each(shot, IllusionKind.OTHER_SIZE, (w, t) -> {
                double stretch = new Scale(t.number(Fact.FACTOR)).time();
                return Figure.tells(FigureKind.SCHOOL_GIANTS, w.subject(), setting.number(Fact.RATE_PER_S) * stretch, "per s", 1 / stretch);
            });
            case CLEAN_WHEN, CLEAN_LENGTH, CLOTH_LIGHT, WHERE_TO_SCREEN, EFFECT_LIGHT, MOVING_BACKGROUND, SCREEN_COLOUR -> List.of();
        };
    }

    private interface Number {
        Figure of(Illusion w, Answers t);
    }

    private static List<Figure> each(Shot shot, IllusionKind kind, Number number) {
        List<Figure> out = new ArrayList<>();
        for (Illusion w : shot.illusions()) {
            if (w.kind() == kind) {
                out.add(number.of(w, Answers.of(w, shot.setting())));
            }
        }
        return out;
    }

    private static Map<String, String> alive(Setting s) {
        return s.withFact(Fact.CAMERA.key(), "handheld").facts();
    }

    /// Share of the cloth's colour that comes back on the subject: a disc of the cloth's area seen from its middle, r²/(r²+h²).
    private static Figure spill(Answers t) {
        double r2 = t.number(Fact.CLOTH_WIDE_M) * t.number(Fact.CLOTH_HIGH_M) / Math.PI;
        double h = Math.max(0.01, t.number(Fact.BEHIND_M));
        return Figure.tells(FigureKind.SCHOOL_SPILL, "", 100 * r2 / (r2 + h * h), "%", h, 100 * r2 / (r2 + 1), 100 * r2 / (r2 + 16));
    }

    private static Figure blur(Answers t) {
        double focus = t.number(Fact.BACKGROUND_M);
        double blurM = COMMON.blurCircleM(focus + t.number(Fact.BEHIND_M), focus);
        double wide = t.number(Fact.RECORD_PX) * 16 / 9;
        return Figure.tells(FigureKind.SCHOOL_BLUR, "", blurM / 0.0236 * wide, "px", t.number(Fact.BEHIND_M), focus);
    }
}
