package org.scenothesis.core.breakdown.wonder;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.fact.Told;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.School;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.core.shot.WonderKind;

/// The rule unit of every kind of wonder.
public final class Rules {
    private static final Map<WonderKind, WonderRule> ALL = all(
            new FloatsRule(), new CopiesRule(), new SizeRule(), new HiddenRule(), new MovedRule(), new BecomesRule(), new ElsewhereRule(), new ThroughFrameRule(),
            new EnergyRule(), new PassesAroundRule(), new WipedRule(), new WrittenRule(), new FrameByFrameRule(), new OpeningRule(), new ReshapedRule());

    /// Metres behind the subject at which a cloth hangs near, as small rooms have it.
    private static final String NEAR_M = "0.6";

    private Rules() {}

    private static Map<WonderKind, WonderRule> all(WonderRule... rules) {
        Map<WonderKind, WonderRule> out = new EnumMap<>(WonderKind.class);
        for (WonderRule r : rules) {
            out.put(r.kind(), r);
        }
        return out;
    }

    /// The one unit that knows this kind.
    public static WonderRule of(WonderKind kind) {
        return Objects.requireNonNull(ALL.get(kind), kind.name());
    }

    /// The shot with what its wonders assume said aloud, where nothing else was told.
    public static Shot assuming(Shot shot) {
        return shot.withWonders(shot.wonders().stream().map(Rules::assuming).toList());
    }

    /// The same, and where the setting leaves it open, what the house does.
    public static Shot assuming(Shot shot, HouseRules rules) {
        Shot out = assuming(shot);
        if (rules.follows(School.WHERE_TO_SCREEN, "studio")) {
            out = told(out, Fact.PLACE, "studio");
        }
        return rules.follows(School.SCREEN_DISTANCE, "near") ? told(out, Fact.BEHIND_M, NEAR_M) : out;
    }

    private static Shot told(Shot s, Fact f, String answer) {
        return Told.of(s.setting()).given(f) ? s : s.withSetting(x -> x.withFact(f.key(), answer));
    }

    /// The wonder with what its kind takes for granted where nothing was told.
    public static Wonder assuming(Wonder w) {
        Wonder out = w;
        for (Map.Entry<Fact, String> e : of(w.kind()).assumed().entrySet()) {
            if (!new Told(w.facts(), Map.of()).given(e.getKey())) {
                out = out.withFact(e.getKey().key(), e.getValue());
            }
        }
        return out;
    }

    /// What may be asked about the setting, given the answers so far.
    public static List<Question> ofSetting(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.PLACE, Fact.LIGHT, Fact.BACKGROUND, Fact.CAMERA, Fact.CLOTHS));
        if (!c.is(Fact.CLOTHS, "none")) {
            q.addAll(Question.about(Fact.CLOTH_WIDE_M, Fact.CLOTH_HIGH_M, Fact.BEHIND_M, Fact.FOLIAGE));
        }
        if (c.is(Fact.LIGHT, "lamps")) {
            q.add(Question.about(Fact.HOT_LAMPS));
        }
        switch (c.answer(Fact.CAMERA)) {
            case "push" -> q.add(Question.about(Fact.PUSH_IN));
            case "handheld" -> q.add(Question.about(Fact.WOBBLE_PX));
            case "moving" -> q.add(Question.about(Fact.DOLLY));
            default -> {}
        }
        q.addAll(Question.about(
                Fact.FRAME_M, Fact.FLOOR, Fact.PUBLIC, Fact.WEAPON, Fact.BORROWED_SOUND, Fact.TAKES, Fact.RECORD_PX, Fact.FINISH_PX, Fact.RATE_PER_S, Fact.RECORDS, Fact.MEGABITS));
        return q;
    }
}
