package org.scenothesis.core.breakdown.illusion;

import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Because;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.shot.PlateRole;

/// Whoever passes before what happens, if anyone does: the front gets the cloth, the rear is filmed in place.
///
/// Source: handbook, *Facts that decide more than the wonder itself*, who is in front.
record InFront(Case c) {
    private static final List<Way> WAYS = List.of(Way.KEY, Way.ROTO);

    /// What is asked about it, once something is known to pass.
    List<Question> questions() {
        return any() ? Question.about(Fact.FRONT, Fact.FRONT_IS) : List.of();
    }

    /// Whether anything passes before it, which is the same as that it passes behind something.
    boolean any() {
        return c.yes(Fact.CROSSED) || c.yes(Fact.BEHIND);
    }

    /// Who it is: the one named, else whoever acts, else somebody without a name.
    private String who() {
        String named = c.answer(Fact.FRONT).strip();
        String actor = c.answer(Fact.ACTOR).strip();
        return !named.isEmpty() ? named : acts() && !actor.isEmpty() ? actor : "the performer who passes in front of " + c.subject();
    }

    /// Whether it is all who act in the shot anyway; one of several has a plate of their own, and the others stay in place.
    private boolean acts() {
        String named = c.answer(Fact.FRONT).strip();
        Item[] actors = c.actors();
        return c.yes(Fact.PERFORMER) && (named.isEmpty() || actors.length == 1 && Subjects.same(c.shot(), actors[0].name(), named));
    }

    /// What is demanded of it, if there is any.
    List<Demand> demands() {
        return demands(Because.FRONT);
    }

    /// With a reason of the illusion's own.
    List<Demand> demands(Because because) {
        return any() ? List.of(new Demand(who(), WAYS, because, Demand.Apart.NO)) : List.of();
    }

    /// The plate of those who act: before the cloth where one of them is in front.
    PlateNeed acting(PlateNeed acted) {
        if (!any() || !acts()) {
            return acted;
        }
        return before(acted.also().isEmpty() && acted.reason() == Reason.ACTING_SEES ? acted.withReason(Reason.ACTING_FRONT) : acted);
    }

    private PlateNeed before(PlateNeed n) {
        var t = c.treatment(who());
        return t.way().cloth() ? n.withRole(PlateRole.ON_SCREEN).on(t.cloth(), c.acted().region()).inGroups(t.lock(), t.light()) : n;
    }

    /// The plate of a front that does not act in the shot otherwise.
    List<PlateNeed> plates() {
        if (!any() || acts()) {
            return List.of();
        }
        Case person = c.is(Answer.FrontIs.PERSON) ? c.acted() : c;
        PlateNeed n = person.separated(who(), Reason.FRONT).focusedOn("subject");
        return List.of(before(n));
    }
}
