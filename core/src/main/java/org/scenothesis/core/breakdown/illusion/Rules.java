package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.number.Bodies;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;

/// The rule unit of every kind of illusion.
public final class Rules {
    private static final Map<IllusionKind, IllusionRule> ALL = all(
            new FloatsRule(), new CopiesRule(), new SizeRule(), new HiddenRule(), new MovedRule(), new BecomesRule(), new ElsewhereRule(),
            new ThroughFrameRule(),
            new EnergyRule(), new PassesAroundRule(), new WipedRule(), new WrittenRule(), new FrameByFrameRule(), new OpeningRule(),
            new ReshapedRule());

    /// Metres behind the subject at which a cloth hangs near, as small rooms have it.
    private static final String NEAR_M = "0.6";

    /// What is told of a base once, and what illusions call it.
    private static final Map<Fact, Fact> OF_BASE = Map.of(
            Fact.BASE_CAMERA, Fact.BACKGROUND_CAMERA, Fact.BASE_EMPTY, Fact.EMPTY_ROOM, Fact.BASE_PX, Fact.BACKGROUND_PX, Fact.BASE_M,
            Fact.BACKGROUND_M, Fact.BASE_LENS_M, Fact.LENS_M);

    /// How tall they are who were not measured, in metres: things and animals are asked for.
    private static final Map<Answer.Who, String> TALL_M = Map.of(Answer.Who.PERSON, String.valueOf(Bodies.PERSON_M),
            Answer.Who.CHILD, String.valueOf(Bodies.CHILD_M));

    private Rules() {}

    private static Map<IllusionKind, IllusionRule> all(IllusionRule... rules) {
        Map<IllusionKind, IllusionRule> out = new EnumMap<>(IllusionKind.class);
        for (IllusionRule r : rules) {
            out.put(r.kind(), r);
        }
        return out;
    }

    /// Whether a fact is told of a base that illusions have a fact of their own for.
    public static boolean ofBase(Fact f) {
        return OF_BASE.containsKey(f);
    }

    /// The one unit that knows this kind.
    public static IllusionRule of(IllusionKind kind) {
        return Objects.requireNonNull(ALL.get(kind), kind.name());
    }

    /// The shot with what its illusions assume said aloud, where nothing else was told.
    public static Shot assuming(Shot shot) {
        return shot.withIllusions(shot.illusions().stream().map(Rules::assuming).toList());
    }

    /// The same, and where the setting leaves it open, what the house does.
    public static Shot assuming(Shot shot, HouseRules rules) {
        Shot out = assuming(based(shot));
        if (rules.follows(Approach.WHERE_TO_SCREEN, "studio")) {
            out = told(out, Fact.PLACE, "studio");
        }
        if (!Answers.of(out.setting()).is(Answer.Base.HERE)) {
            // There is no real place to hang the cloth in.
            out = out.withSetting(x -> x.withFact(Fact.PLACE.key(), "real"));
        }
        return rules.follows(Approach.SCREEN_DISTANCE, "near") ? told(out, Fact.BEHIND_M, NEAR_M) : out;
    }

    /// The shot whose illusions know the base as it was told once for all of them. Where nobody told it, and all that happens happens to
    /// those who are put into a picture that exists, that is the base.
    public static Shot based(Shot s) {
        Shot out = s;
        List<Illusion> there = s.illusions().stream().filter(w -> w.kind() == IllusionKind.ELSEWHERE && Answers.of(w, s.setting())
                .is(Answer.Source.EXISTING)).toList();
        Optional<Illusion> existing = there.stream().findFirst();
        boolean all = s.illusions().stream().allMatch(w -> there.stream().anyMatch(t -> Subjects.same(s, t.subject(), w.subject())));
        if (existing.isPresent() && all && !Answers.of(s.setting()).given(Fact.BASE)) {
            out = told(out, Fact.BASE, "existing");
            for (Map.Entry<Fact, Fact> e : OF_BASE.entrySet()) {
                Answers t = Answers.of(existing.get(), s.setting());
                out = t.given(e.getValue()) ? told(out, e.getKey(), t.answer(e.getValue())) : out;
            }
        }
        Answers base = Answers.of(out.setting());
        // Where the camera stands is told once; all illusions that were not told otherwise follow.
        for (Fact f : List.of(Fact.BASE_M, Fact.BASE_LENS_M)) {
            Fact own = Objects.requireNonNull(OF_BASE.get(f));
            String answer = base.answer(f);
            out = base.given(f) ? out.withSetting(x -> x.withFact(own.key(), answer)) : out;
        }
        if (base.is(Answer.Base.HERE)) {
            return out;
        }
        String source = base.is(Answer.Base.EXISTING) ? "existing" : "made";
        return out.withIllusions(out.illusions().stream().map(w -> {
            Illusion x = w.kind() == IllusionKind.ELSEWHERE ? untold(w, Fact.SOURCE, source) : w;
            for (Map.Entry<Fact, Fact> e : OF_BASE.entrySet()) {
                x = base.given(e.getKey()) ? untold(x, e.getValue(), base.answer(e.getKey())) : x;
            }
            return x;
        }).toList());
    }

    private static Illusion untold(Illusion w, Fact f, String answer) {
        return new Answers(w.facts(), Map.of()).given(f) ? w : w.withFact(f.key(), answer);
    }

    private static Shot told(Shot s, Fact f, String answer) {
        return Answers.of(s.setting()).given(f) ? s : s.withSetting(x -> x.withFact(f.key(), answer));
    }

    /// The illusion with what its kind takes for granted where nothing was told.
    public static Illusion assuming(Illusion w) {
        Illusion out = w;
        for (Map.Entry<Fact, String> e : of(w.kind()).assumed().entrySet()) {
            if (!new Answers(w.facts(), Map.of()).given(e.getKey())) {
                out = out.withFact(e.getKey().key(), e.getValue());
            }
        }
        Answers told = new Answers(out.facts(), Map.of());
        String tall = TALL_M.get(told.choice(Answer.Who.class));
        out = tall == null ? out : untold(out, Fact.SIZE_M, tall);
        // Whoever floats stood on the floor before, and a giant stands on the ground.
        boolean onFloor = w.kind() == IllusionKind.FLOATS && tall != null || w.kind() == IllusionKind.OTHER_SIZE
                && told.number(Fact.FACTOR) > 1;
        return onFloor ? untold(out, Fact.REST_M, "0") : out;
    }

    /// What may be asked about the setting, given the answers so far.
    public static List<Question> ofSetting(Case c) {
        List<Question> q = new ArrayList<>();
        q.add(Question.about(Fact.BASE));
        switch (c.choice(Answer.Base.class)) {
            case EXISTING -> {
                q.addAll(Question.about(Fact.BASE_CAMERA, Fact.BASE_EMPTY, Fact.BASE_PX, Fact.BASE_M, Fact.BASE_LENS_M, Fact.SCENE,
                        Fact.IN_IT));
                if (!c.answer(Fact.IN_IT).isBlank()) {
                    q.add(Question.about(Fact.IN_IT_BY));
                }
            }
            case ELSEWHERE -> q.addAll(Question.about(Fact.BASE_M, Fact.BASE_LENS_M));
            case HERE -> q.addAll(Question.about(Fact.PLACE, Fact.BASE_M, Fact.BASE_LENS_M));
        }
        q.addAll(Question.about(Fact.LIGHT, Fact.BACKGROUND, Fact.CAMERA, Fact.CLOTHS));
        if (!c.is(Answer.Cloths.NONE)) {
            q.addAll(Question.about(Fact.CLOTH_WIDE_M, Fact.CLOTH_HIGH_M, Fact.BEHIND_M, Fact.FOLIAGE));
        }
        if (c.shot().illusions().stream().anyMatch(w -> w.kind() == IllusionKind.HIDDEN || w.kind() == IllusionKind.MOVED)) {
            q.add(Question.about(Fact.SUITS));
        }
        if (c.is(Answer.Light.LAMPS)) {
            q.add(Question.about(Fact.HOT_LAMPS));
            q.addAll(Question.about(Fact.LAMPS_SEEN, Fact.SHADES, Fact.MIXED));
        }
        if (c.is(Answer.Light.LAMPS, Answer.Light.SUN)) {
            q.addAll(Question.about(Fact.KEY_FROM, Fact.KEY_UP_DEG, Fact.KEY_HARD, Fact.KEY_K, Fact.KEY_FILL));
        }
        switch (c.choice(Answer.Camera.class)) {
            case PUSH -> q.add(Question.about(Fact.PUSH_IN));
            case HANDHELD -> q.add(Question.about(Fact.WOBBLE_PX));
            case MOVING -> q.add(Question.about(Fact.DOLLY));
            case LOCKED -> {}
        }
        q.addAll(Question.about(
                Fact.FRAME_M, Fact.FLOOR, Fact.PUBLIC, Fact.WEAPON, Fact.BORROWED_SOUND, Fact.TAKES, Fact.RECORD_PX, Fact.FINISH_PX,
                Fact.RATE_PER_S, Fact.MAX_RATE, Fact.SENSOR_MM, Fact.F_NUMBER, Fact.STAND_M, Fact.RECORDS, Fact.MEGABITS));
        return q;
    }
}
