package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Because;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Bodies;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// One thing becomes another, appears, vanishes, or comes back: performances aligned at the event, overlapping at the crossing; each is
/// absent before its time.
final class BecomesRule implements IllusionRule {
    private static final double OVERLAP_S = 1;

    @Override
    public IllusionKind kind() {
        return IllusionKind.BECOMES;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.WHO, Fact.TURN));
        if (second(c)) {
            q.addAll(Question.about(Fact.SECOND, Fact.SECOND_IS));
            if (!c.is(Answer.SecondIs.THING)) {
                q.addAll(Question.about(Fact.SECOND_SIZE_M, Fact.SECOND_WEARS));
            }
        }
        q.add(Question.about(Fact.AT_S));
        if (c.is(Answer.Turn.BACK)) {
            q.add(Question.about(Fact.BACK_S));
        }
        q.addAll(Question.about(Fact.EVENT, Fact.MOTION, Fact.CROSSED));
        q.addAll(new InFront(c).questions());
        q.add(Question.about(Fact.EDGE));
        if (c.is(Answer.Event.SMOKE)) {
            q.addAll(IllusionRule.element(c));
        }
        q.add(Question.about(Fact.PERFORMER));
        if (c.yes(Fact.PERFORMER)) {
            q.addAll(Question.about(Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M));
        }
        if (!c.is(Answer.Edge.CLEAN) || twoBodies(c)) {
            q.addAll(Question.about(Fact.SIZE_M, Fact.TRAVEL_M, Fact.GREEN_NEAR, Fact.COLOURS));
        }
        return q;
    }

    /// Whether there is a second thing at all; what appears or vanishes is alone.
    private static boolean second(Case c) {
        return c.is(Answer.Turn.BECOMES, Answer.Turn.BACK);
    }

    private static Reason first(Case c) {
        return switch (c.choice(Answer.Turn.class)) {
            case BECOMES, BACK -> Reason.BECOMES_FIRST;
            case APPEARS -> Reason.BECOMES_APPEARS;
            case VANISHES -> Reason.BECOMES_VANISHES;
        };
    }

    /// Whether the second is somebody, of another build than the first.
    private static boolean twoBodies(Case c) {
        return second(c) && !c.is(Answer.SecondIs.THING);
    }

    private static String other(Case c) {
        String s = c.answer(Fact.SECOND);
        return s.isBlank() ? "what " + c.subject() + " becomes" : s;
    }

    /// The case about the second.
    private static Case ofOther(Case c) {
        return twoBodies(c) ? c.about(c.choice(Answer.SecondIs.class).who(), c.answer(Fact.SECOND_SIZE_M))
                : c.about(Answer.Who.THING, c.answer(Fact.SIZE_M));
    }

    private static Item thing(Case c, String name) {
        return c.person() ? Item.person(name) : Item.prop(name);
    }

    @Override
    public List<Demand> demands(Case c) {
        boolean separable = !c.is(Answer.Edge.CLEAN);
        List<Way> ways = separable ? List.of(Way.KEY, Way.ROTO) : List.of(Way.MASK, Way.KEY, Way.ROTO);
        Because because = separable ? Because.EDGE : Because.BECOMES;
        List<Demand> out = new ArrayList<>(List.of(new Demand(c.subject(), ways, because, Demand.Apart.NO)));
        if (second(c)) {
            out.add(new Demand(other(c), ways, because, Demand.Apart.NO));
        }
        out.addAll(new InFront(c).demands());
        return out;
    }

    private static double at(Case c, Fact when) {
        return Math.clamp(c.number(when), 0, Math.max(0, c.shot().seconds()));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        double spare = OVERLAP_S + Case.HANDLES_S;
        double at = at(c, Fact.AT_S);
        double end = c.shot().seconds();
        double back = Math.max(at, at(c, Fact.BACK_S));
        double before = c.is(Answer.Turn.APPEARS) ? end - at : c.is(Answer.Turn.BACK) ? end : at;
        double after = c.is(Answer.Turn.BACK) ? back - at : end - at;
        Item[] gone = second(c) ? new Item[] {thing(c, c.subject()), thing(ofOther(c), other(c))} : new Item[] {thing(c, c.subject())};
        needs.add(c.clean(second(c) ? Reason.CLEAN_BECOMES : Reason.CLEAN_APPEARS, gone));
        InFront front = new InFront(c);
        boolean acted = c.yes(Fact.PERFORMER);
        List<PlateNeed> bodies = new ArrayList<>();
        bodies.add(c.separated(c.subject(), first(c)).lasting(before + spare, c.takes())
                .recording("event").hearing("action"));
        if (second(c)) {
            PlateNeed next = ofOther(c).separated(other(c), Reason.BECOMES_SECOND).lasting(after + spare, c.takes()).recording("event")
                    .following(bodies.getFirst().key());
            bodies.add(twoBodies(c) && c.is(Answer.SecondWears.COSTUME) ? next.wearing("costume") : next);
        }
        boolean together = acted && bodies.stream().allMatch(n -> n.screen() == Screen.NONE) && !front.any();
        bodies.forEach(n -> needs.add(together ? n.with(c.actors()).looking(eyes(c)) : n));
        if (acted && !together) {
            needs.add(front.acting(c.acting(Reason.ACTING_EVENT).recording("event").looking(eyes(c))));
        }
        needs.addAll(front.plates());
        switch (c.choice(Answer.Event.class)) {
            case SMOKE -> needs.add(c.here(PlateKey.only(PlateKey.Kind.ATMOSPHERE), PlateRole.ATMOSPHERE, Reason.BECOMES_SMOKE, c.subject())
                    .lasting(4, 2));
            case FLASH -> needs.addAll(Lights.pass(c, "flash"));
            case CUT, CLOTH, PASS -> {}
        }
        return needs;
    }

    /// Where the eyes of those who see it are before and after.
    private static Eyeline[] eyes(Case c) {
        double first = c.number(Fact.REST_M) + (c.living() ? Bodies.EYES_SHARE * c.number(Fact.SIZE_M) : 0);
        double then = twoBodies(c) ? Bodies.EYES_SHARE * c.number(Fact.SECOND_SIZE_M) : first;
        return c.eyelines(first, then);
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        if (c.is(Answer.Event.CUT) && !c.is(Answer.Motion.STILL) && c.treatment(c.subject()).way() == Way.MASK) {
            out.add(Conflict.watch(ConflictKind.BECOMES_JUMP, c.illusion().id(), c.subject()));
        }
        boolean backwards = c.is(Answer.Turn.BACK) && c.number(Fact.BACK_S) <= c.number(Fact.AT_S);
        if (c.number(Fact.AT_S) < c.illusion().fromSeconds() || c.number(Fact.AT_S) > c.shot().seconds()) {
            out.add(Conflict.redo(ConflictKind.BECOMES_WHEN, c.illusion().id(), c.subject(), c.number(Fact.AT_S), c.shot().seconds()));
        } else if (backwards) {
            out.add(Conflict.redo(ConflictKind.BECOMES_BACK, c.illusion().id(), c.subject(), c.number(Fact.BACK_S), c.number(Fact.AT_S)));
        }
        return out;
    }

    @Override
    public List<Figure> figures(Case c) {
        return twoBodies(c) ? List.of(Figure.tells(FigureKind.BECOMES_RATIO, other(c), c.number(Fact.SECOND_SIZE_M) / c.number(Fact.SIZE_M),
                "\u00d7", c.number(Fact.SECOND_SIZE_M), c.number(Fact.SIZE_M))) : List.of();
    }

    @Override
    public List<KitItem> kit(Case c) {
        return twoBodies(c) && c.is(Answer.SecondWears.COSTUME) ? KitItem.each("costume") : List.of();
    }
}
