package org.scenothesis.core.breakdown.wonder;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.WonderKind;

/// One thing becomes another: two performances aligned at the event, overlapping at the crossing; the second is absent before its time.
final class BecomesRule implements WonderRule {
    private static final double OVERLAP_S = 1;

    @Override
    public WonderKind kind() {
        return WonderKind.BECOMES;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.WHO, Fact.SECOND, Fact.AT_S, Fact.EVENT, Fact.MOTION, Fact.CROSSED));
        q.addAll(new InFront(c).questions());
        q.add(Question.about(Fact.EDGE));
        if (c.is(Fact.EVENT, "smoke")) {
            q.addAll(WonderRule.element(c));
        }
        q.add(Question.about(Fact.PERFORMER));
        if (c.is(Fact.PERFORMER, "yes")) {
            q.addAll(Question.about(Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M));
        }
        if (!c.is(Fact.EDGE, "clean")) {
            q.addAll(Question.about(Fact.SIZE_M, Fact.TRAVEL_M, Fact.GREEN_NEAR, Fact.COLOURS));
        }
        return q;
    }

    private static Item thing(Case c, String name) {
        return c.person() ? Item.person(name) : Item.prop(name);
    }

    static String second(Case c) {
        String s = c.answer(Fact.SECOND);
        return s.isBlank() ? "what " + c.subject() + " becomes" : s;
    }

    @Override
    public List<Demand> demands(Case c) {
        boolean separable = !c.is(Fact.EDGE, "clean");
        List<Way> ways = separable ? List.of(Way.KEY, Way.ROTO) : List.of(Way.MASK, Way.KEY, Way.ROTO);
        String because = separable ? "edge" : "becomes";
        List<Demand> out = new ArrayList<>(List.of(new Demand(c.subject(), ways, because, Demand.Apart.NO), new Demand(second(c), ways, because, Demand.Apart.NO)));
        out.addAll(new InFront(c).demands());
        return out;
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        double at = Math.clamp(c.number(Fact.AT_S), 0, Math.max(0, c.shot().seconds()));
        double before = at + OVERLAP_S + Case.HANDLES_S;
        double after = Math.max(0, c.shot().seconds() - at) + OVERLAP_S + Case.HANDLES_S;
        needs.add(c.clean("clean.becomes", thing(c, c.subject()), thing(c, second(c))));
        PlateNeed first = c.separated(c.subject(), "becomes.first").lasting(before, c.takes()).recording("event").hearing("action");
        PlateNeed next = c.separated(second(c), "becomes.second").lasting(after, c.takes()).recording("event");
        InFront front = new InFront(c);
        boolean acted = c.is(Fact.PERFORMER, "yes");
        boolean together = acted && first.screen() == Screen.NONE && !front.any();
        needs.add(together ? first.with(c.actors()) : first);
        needs.add((together ? next.with(c.actors()) : next).following(first.key()));
        if (acted && !together) {
            needs.add(front.acting(c.acting("acting.event").recording("event").looking(c.eyelines(c.number(Fact.REST_M), c.number(Fact.REST_M)))));
        }
        needs.addAll(front.plates());
        switch (c.answer(Fact.EVENT)) {
            case "smoke" -> needs.add(c.here("atmosphere", PlateRole.ATMOSPHERE, "becomes.smoke", c.subject()).lasting(4, 2));
            case "flash" -> needs.addAll(Lights.pass(c, "flash"));
            default -> {}
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        if (c.is(Fact.EVENT, "cut") && !c.is(Fact.MOTION, "still") && c.treatment(c.subject()).way() == Way.MASK) {
            out.add(Conflict.watch("becomes.jump", c.wonder().id(), c.subject()));
        }
        if (c.number(Fact.AT_S) < c.wonder().fromSeconds() || c.number(Fact.AT_S) > c.shot().seconds()) {
            out.add(Conflict.redo("becomes.when", c.wonder().id(), c.subject(), c.number(Fact.AT_S), c.shot().seconds()));
        }
        return out;
    }
}
