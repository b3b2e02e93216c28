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
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// An opening into elsewhere: what is seen inside, a rim of light added with a solid copy, and its light on the ground and on whoever
/// stands before it.
final class OpeningRule implements IllusionRule {
    @Override
    public IllusionKind kind() {
        return IllusionKind.OPENING;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.SOURCE, Fact.RIM, Fact.LIGHTS, Fact.PERFORMER));
        if (c.yes(Fact.PERFORMER)) {
            q.addAll(Question.about(Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M));
        }
        if (c.is(Answer.Source.EXISTING)) {
            q.add(Question.about(Fact.BACKGROUND_PX));
        }
        if (c.yes(Fact.RIM)) {
            q.addAll(IllusionRule.element(c));
        }
        q.add(Question.about(Fact.CROSSED));
        q.addAll(new InFront(c).questions());
        q.addAll(Question.about(Fact.SIZE_M, Fact.COLOURS));
        return q;
    }

    private static String rim(Case c) {
        return "rim of " + c.subject();
    }

    @Override
    public List<Demand> demands(Case c) {
        List<Demand> out = new ArrayList<>();
        if (c.yes(Fact.RIM)) {
            out.add(new Demand(rim(c), List.of(Way.BLACK, Way.ROTO), Because.OPENING_RIM, Demand.Apart.LIGHT));
        }
        out.addAll(new InFront(c).demands(Because.OPENING_CROSSED));
        return out;
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        boolean moving = c.is(Answer.Camera.MOVING);
        PlateNeed clean = c.clean(Reason.CLEAN_OPENING, c.actors());
        needs.add(moving ? clean.lasting(c.roll(), 2).recording("centre.mark", "lens") : clean);
        if (c.is(Answer.Source.MADE)) {
            needs.add(c.here(c.key(PlateKey.Kind.INSIDE), PlateRole.BACKGROUND, Reason.OPENING_INSIDE, c.subject()).inGroups("W", "W")
                    .lasting(c.roll(), 1).recording("lens"));
        } else {
            needs.add(c.borrowed());
        }
        InFront front = new InFront(c);
        if (c.yes(Fact.PERFORMER)) {
            PlateNeed acted = front.any() ? c.acting(Reason.ACTING_BEFORE).recording("rim.light") : c.acting(Reason.ACTING_SEES)
                    .looking(c.eyelines(c.number(Fact.EYES_M), c.number(Fact.EYES_M)));
            needs.add(front.acting(moving ? acted.recording("centre.mark") : acted));
        }
        front.plates().forEach(n -> needs.add(n.recording("rim.light")));
        if (c.yes(Fact.RIM) && c.treatment(rim(c)).way() == Way.BLACK) {
            PlateNeed e = c.separated(rim(c), Reason.THING);
            needs.add(e.on(Screen.BLACK, e.region()));
        }
        if (c.yes(Fact.LIGHTS)) {
            needs.addAll(Lights.pass(c, "lamp.small"));
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        return c.is(Answer.Camera.MOVING) ? List.of(Conflict.watch(ConflictKind.OPENING_MOVING, c.illusion().id(), c.subject()))
                : List.of();
    }

    @Override
    public List<KitItem> kit(Case c) {
        List<KitItem> k = new ArrayList<>();
        if (c.yes(Fact.RIM)) {
            k.add(KitItem.one("cloth.black"));
        }
        if (c.yes(Fact.LIGHTS)) {
            k.add(KitItem.one("lamp.small"));
        }
        return k;
    }
}
