package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Because;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.IllusionKind;

/// Moved by no one: an operator in the screen colour, or one that a mask takes away, over a clean plate.
final class MovedRule implements IllusionRule {
    @Override
    public IllusionKind kind() {
        return IllusionKind.MOVED;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.OPERATOR, Fact.SIZE_M, Fact.TRAVEL_M));
        q.add(Question.among(Answer.Motion.DRIFTS, Answer.Motion.TURNS, Answer.Motion.THROWN));
        if (!c.is(Answer.Operator.LINE)) {
            q.add(Question.about(Fact.HAND_SEEN));
        }
        q.add(Question.about(Fact.CROSSED));
        q.addAll(new InFront(c).questions());
        q.addAll(Question.about(Fact.EDGE, Fact.PERFORMER));
        if (c.yes(Fact.PERFORMER)) {
            q.add(Question.about(Fact.ACTOR));
        }
        q.addAll(Question.about(Fact.SHADOW, Fact.GREEN_NEAR, Fact.COLOURS));
        return q;
    }

    /// Someone invisible in a suit who is in the shot anyway carries it: one take for both.
    private static Optional<String> carrier(Case c) {
        if (!c.is(Answer.Operator.SUIT)) {
            return Optional.empty();
        }
        return c.shot().illusions().stream()
                .filter(w -> w.kind() == IllusionKind.HIDDEN && Answers.of(w, c.shot().setting()).is(Answer.By.SUIT)
                && !Answers.of(w, c.shot().setting()).is(Answer.Motion.STILL))
                .map(w -> new Case(w, c.shot(), c.rules(), c.treatments()).inState("hidden")).findFirst();
    }

    @Override
    public List<Demand> demands(Case c) {
        if (carrier(c).isPresent()) {
            return new InFront(c).demands();
        }
        List<Demand> out = new ArrayList<>(new InFront(c).demands());
        out.addFirst(own(c));
        return out;
    }

    /// A line, or what nobody sees, a mask takes away; a puppet is keyed together with whoever moves it; anything else wears the screen
    /// colour in place.
    private static Demand own(Case c) {
        boolean unseen = c.told().given(Fact.HAND_SEEN) && !c.yes(Fact.HAND_SEEN) && c.is(Answer.Operator.ROD, Answer.Operator.GLOVE);
        return switch (c.choice(Answer.Operator.class)) {
            case LINE -> new Demand(c.subject(), List.of(Way.MASK, Way.KEY, Way.ROTO), Because.MOVED_LINE, Demand.Apart.NO);
            case PUPPETEER -> new Demand(c.subject(), List.of(Way.KEY, Way.SUIT, Way.ROTO), Because.MOVED_PUPPET, Demand.Apart.NO);
            case ROD, GLOVE, SUIT -> unseen ? new Demand(c.subject(), List.of(Way.MASK, Way.SUIT, Way.KEY, Way.ROTO), Because.MOVED_UNSEEN,
                    Demand.Apart.NO)
                    : new Demand(c.subject(), List.of(Way.SUIT, Way.KEY, Way.ROTO), Because.MOVED_OPERATOR, Demand.Apart.NO);
        };
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        needs.add(c.clean(Reason.CLEAN_OPERATOR, c.gone(c.answer(Fact.OPERATOR))));
        Optional<String> carrier = carrier(c);
        if (carrier.isPresent()) {
            needs.add(c.separated(carrier.get(), Reason.THING).with(Item.prop(c.subject())));
            needs.addAll(new InFront(c).plates());
            return needs;
        }
        PlateNeed moved = c.separated(c.subject(), Reason.THING).with(Item.support(c.answer(Fact.OPERATOR))).focusedOn("subject");
        boolean inPlace = c.treatment(c.subject()).way() != Way.KEY;
        moved = c.yes(Fact.HAND_SEEN) && inPlace ? moved.recording("travel") : moved;
        InFront front = new InFront(c);
        inPlace &= !front.any();
        if (c.yes(Fact.PERFORMER)) {
            // In place the performer and the operator play together; on a cloth the thing is filmed apart.
            moved = inPlace ? moved.with(Item.person(c.answer(Fact.ACTOR))).hearing("action") : moved;
        }
        needs.add(moved);
        if (c.yes(Fact.PERFORMER) && !inPlace) {
            needs.add(front.acting(c.acting(Reason.ACTING_SEES).looking(c.eyelines(c.number(Fact.REST_M), c.number(Fact.REST_M)))));
        }
        needs.addAll(front.plates());
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        if (carrier(c).isEmpty() && c.yes(Fact.SHADOW) && c.is(Answer.Light.SUN) && !c.is(Answer.Operator.LINE)
                && c.treatment(c.subject()).way() == Way.SUIT) {
            out.add(Conflict.watch(ConflictKind.OPERATOR_SHADOW, c.illusion().id(), c.subject()));
        }
        return out;
    }

    @Override
    public List<KitItem> kit(Case c) {
        return KitItem.each("operator." + c.answer(Fact.OPERATOR));
    }
}
