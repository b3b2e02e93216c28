package org.scenothesis.core.breakdown.illusion;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.number.CrowdTable;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.shot.IllusionKind;

/// What one kind of illusion asks, demands and needs. One unit per kind; they know nothing of each other.
///
/// Screen-only frames, references and cautions are not theirs: they follow from the plates and facts of the whole shot.
public interface IllusionRule {
    /// What illusions that happen to people assume.
    Map<Fact, String> PERSON = Map.of(Fact.WHO, Answer.Who.PERSON.code());
    /// And what they ask first.
    Question WHO_OF_PEOPLE = Question.among(Answer.Who.PERSON, Answer.Who.THING, Answer.Who.CHILD, Answer.Who.ANIMAL);

    /// What is asked of an element that is laid over the shot.
    static List<Question> element(Case c) {
        return c.is(Answer.Element.EXISTING) ? Question.about(Fact.ELEMENT, Fact.ELEMENT_GROUND, Fact.ELEMENT_PX)
                : List.of(Question.about(Fact.ELEMENT));
    }

    /// What is asked of a subject that need not be filmed: a creature or a thing may exist already, or be drawn.
    static List<Question> creature(Case c) {
        return c.is(Answer.Who.THING, Answer.Who.ANIMAL) ? element(c) : List.of();
    }

    IllusionKind kind();

    /// What is assumed of such an illusion where it differs from what is assumed in general.
    default Map<Fact, String> assumed() {
        return Map.of();
    }

    /// The questions that matter, given the answers so far.
    List<Question> questions(Case c);

    /// What must be separable, and how; none for an illusion that separates nothing.
    List<Demand> demands(Case c);

    List<PlateNeed> plates(Case c);

    /// Who stands where, for an illusion that makes a crowd.
    default Optional<CrowdTable> crowd(Case c) {
        return Optional.empty();
    }

    default List<Conflict> conflicts(Case c) {
        return List.of();
    }

    default List<Figure> figures(Case c) {
        return List.of();
    }

    default List<KitItem> kit(Case c) {
        return List.of();
    }
}
