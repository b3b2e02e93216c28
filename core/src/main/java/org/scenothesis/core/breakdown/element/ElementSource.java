package org.scenothesis.core.breakdown.element;

import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.shot.IllusionKind;

/// Where the element of an illusion comes from, and what is left to film of it. One unit per kind.
///
/// Source: handbook, *Facts that decide more than the wonder itself*.
public sealed interface ElementSource permits Filmed, Existing, Drawn {
    /// The kind that was told; filmed where nothing was.
    static ElementSource of(Answers illusion) {
        return switch (illusion.choice(Answer.Element.class)) {
            case EXISTING -> new Existing();
            case DRAWN -> new Drawn();
            case FILMED -> new Filmed();
        };
    }

    /// Whether a plate is of an element that is laid over the shot: a glow, a rim, smoke, a transition, writing.
    static boolean element(PlateNeed n) {
        return switch (n.role()) {
            case ON_BLACK, ON_WHITE, TRANSITION, SURFACE_TITLE, ATMOSPHERE -> true;
            case CLEAN, PRACTICAL, ELEMENT, SCREEN_ONLY, LIGHT_PASS, REFERENCE, ON_SCREEN, PARTIAL_BODY, FOREGROUND, FRAME_INSERT,
                    STILLS, BACKGROUND, UNSORTED -> false;
        };
    }

    /// Whether the subject of a kind of illusion may be an element itself: a creature or a thing that was recorded by others, or is drawn.
    /// Whoever acts is filmed.
    static boolean subject(IllusionKind kind, Answers told) {
        return ofSubject(kind) && told.is(Answer.Who.THING, Answer.Who.ANIMAL) && !told.is(Answer.Element.FILMED);
    }

    private static boolean ofSubject(IllusionKind kind) {
        return switch (kind) {
            case FLOATS, OTHER_SIZE, ELSEWHERE, THROUGH_FRAME -> true;
            case COPIES, HIDDEN, MOVED, BECOMES, ENERGY, PASSES_AROUND, WIPED, WRITTEN, FRAME_BY_FRAME, OPENING, RESHAPED -> false;
        };
    }

    /// Whether something that others recorded is brought in for an illusion.
    static boolean brought(IllusionKind kind, Answers told) {
        return told.is(Answer.Element.EXISTING) && (!ofSubject(kind) || subject(kind, told));
    }

    /// Whether a plate is of the element of its illusion: what is laid over the shot, or the subject where it is one.
    static boolean element(Case c, PlateNeed n) {
        return element(n) || subject(c.illusion().kind(), c.told()) && n.key().equals(c.elementKey(c.subject()));
    }

    /// An illusion's plates with its element as it comes.
    List<PlateNeed> plates(Case c, List<PlateNeed> asked);

    /// What is to be brought for it.
    List<KitItem> kit(List<KitItem> asked);
}
