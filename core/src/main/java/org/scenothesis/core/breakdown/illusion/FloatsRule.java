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
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Something or someone leaves the ground.
///
/// Still, a mask over a clean plate may do; drifting, turning, or with a fine edge it must be separable, so it is screened. A body
/// may be two halves, one standing, one seated with its legs free, joined at a seam that clothing hides.
final class FloatsRule implements IllusionRule {
    @Override
    public IllusionKind kind() {
        return IllusionKind.FLOATS;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(List.of(Question.about(Fact.WHO)));
        q.addAll(IllusionRule.creature(c));
        q.addAll(Question.about(Fact.SIZE_M, Fact.REST_M, Fact.HEIGHT_M));
        q.add(Question.among(Answer.Motion.DRIFTS, Answer.Motion.STILL, Answer.Motion.TURNS, Answer.Motion.THROWN));
        q.add(c.living() ? Question.among(Answer.Support.STOOL, Answer.Support.BOX, Answer.Support.CHAIR, Answer.Support.TABLE,
                Answer.Support.LADDER, Answer.Support.HARNESS)
                : Question.among(Answer.Support.ROD, Answer.Support.LINE, Answer.Support.HAND));
        q.addAll(Question.about(Fact.SUPPORT_COUNT, Fact.SUPPORT_STAYS));
        if (c.person()) {
            q.addAll(Question.about(Fact.FEET, Fact.BODY, Fact.FILMED_AT, Fact.COSTUME));
            if (c.is(Answer.FilmedAt.FLOOR)) {
                q.addAll(c.ownCamera());
            }
        }
        q.add(Question.about(Fact.EDGE));
        q.add(Question.about(Fact.CROSSED));
        q.addAll(new InFront(c).questions());
        q.add(Question.about(Fact.IN_FRONT));
        q.add(Question.about(Fact.PERFORMER));
        if (c.yes(Fact.PERFORMER)) {
            q.addAll(Question.about(Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M));
        }
        q.add(Question.about(Fact.SHADOW));
        if (c.yes(Fact.SHADOW)) {
            q.add(Question.about(Fact.SHADOW_ON));
        }
        q.addAll(Question.about(Fact.GLOWS, Fact.GREEN_NEAR, Fact.COLOURS));
        if (!c.is(Answer.Motion.STILL)) {
            q.add(Question.about(Fact.TRAVEL_M));
        }
        return q;
    }

    @Override
    public List<Demand> demands(Case c) {
        Because because = !c.is(Answer.Motion.STILL) ? Because.MOVES : !c.is(Answer.Edge.CLEAN) ? Because.EDGE : halves(c) ? Because.HALVES
                : Because.STILL;
        List<Way> ways = because == Because.STILL ? List.of(Way.MASK, Way.KEY, Way.ROTO) : List.of(Way.KEY, Way.ROTO);
        // Filmed on the floor, the lens is lowered by the lift: that camera cannot lie on the others.
        boolean lowered = c.person() && c.is(Answer.FilmedAt.FLOOR);
        List<Demand> out = new ArrayList<>(List.of(new Demand(c.subject(), ways, because, lowered ? Demand.Apart.CAMERA
                : Demand.Apart.NO)));
        out.addAll(new InFront(c).demands());
        return out;
    }

    private static boolean halves(Case c) {
        return c.person() && c.is(Answer.Body.HALVES);
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        Item[] supports = c.supports().stream().map(Answer::code).map(Item::support).toArray(Item[]::new);
        PlateNeed clean = c.supportsStay() ? c.clean(Reason.CLEAN_SUPPORT_STAYS, c.gone()).with(supports)
                : c.clean(Reason.CLEAN_SUPPORT, c.gone(c.supports().stream().map(Answer::code).toArray(String[]::new)));
        clean = c.yes(Fact.SHADOW) ? clean.recording("shadow") : clean;
        needs.add(c.yes(Fact.SHADOW) && !c.is(Answer.ShadowOn.FLOOR) ? clean.recording("wall") : clean);
        if (c.yes(Fact.PERFORMER)) {
            needs.add(new InFront(c)
                    .acting(c.acting(Reason.ACTING_SEES)
                    .looking(c.eyelines(c.number(Fact.REST_M), c.number(Fact.REST_M) + c.number(Fact.HEIGHT_M)))));
        }
        needs.addAll(new InFront(c).plates());
        PlateNeed element = c.separated(c.subject(), Reason.THING).focusedOn("subject").positions("hang");
        if (halves(c)) {
            needs.add(half(c, element, true).recording("seam"));
            needs.add(half(c, element, false).with(supports).recording("seam"));
        } else {
            needs.add(element.with(supports));
        }
        if (c.yes(Fact.IN_FRONT)) {
            needs.add(c.here(PlateKey.only(PlateKey.Kind.FOREGROUND), PlateRole.FOREGROUND, Reason.FOREGROUND, ""));
        }
        if (c.yes(Fact.GLOWS)) {
            needs.addAll(Lights.pass(c, "bulb"));
        }
        return needs;
    }

    /// Where a body is joined, and how much beyond that is filmed.
    private static final double SEAM_SHARE = 0.55;
    private static final double SEEN_SHARE = 0.05;

    private static PlateNeed half(Case c, PlateNeed whole, boolean upper) {
        // Each half has a cloth of its own, high or low; a hand's breadth beyond the seam is seen of the other.
        Region where = upper ? c.region(SEAM_SHARE - SEEN_SHARE, 1) : c.region(0, SEAM_SHARE + SEEN_SHARE);
        PlateNeed own = whole.screen() == Screen.NONE ? whole : whole.on(whole.screen(), where);
        return own.as(c.key(upper ? PlateKey.Kind.HALF_UPPER : PlateKey.Kind.HALF_LOWER), PlateRole.PARTIAL_BODY,
                upper ? Reason.HALF_UPPER
                : Reason.HALF_LOWER);
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        String id = c.illusion().id();
        if (halves(c) && c.is(Answer.Surface.YIELDS)) {
            out.add(Conflict.redo(ConflictKind.SEAT_YIELDS, id, c.subject()));
        }
        if (c.is(Answer.Floor.GLOSSY) && c.yes(Fact.SHADOW)) {
            out.add(Conflict.watch(ConflictKind.FLOOR_GLOSSY, id, c.subject()));
        }
        if (c.person() && c.is(Answer.Floor.SOFT) && !c.supports().equals(List.of(Answer.Support.HARNESS))) {
            out.add(Conflict.redo(ConflictKind.FLOOR_SOFT, id, c.subject()));
        }
        if (c.person() && c.is(Answer.FilmedAt.FLOOR)) {
            LensOfIllusion.stands(c, c.number(Fact.LENS_M) - c.number(Fact.HEIGHT_M), c.number(Fact.BACKGROUND_M)).ifPresent(out::add);
        }
        if (c.person() && c.is(Answer.Costume.INFLATED) && halves(c)) {
            out.add(Conflict.watch(ConflictKind.SEAM_INFLATED, id, c.subject()));
        }
        return out;
    }

    @Override
    public List<Figure> figures(Case c) {
        List<Figure> out = new ArrayList<>();
        double lift = c.number(Fact.HEIGHT_M);
        if (c.person() && c.is(Answer.FilmedAt.FLOOR)) {
            out.add(Figure.tells(FigureKind.LENS_LOWER, c.subject(), lift, "m"));
        }
        return out;
    }

    @Override
    public List<KitItem> kit(Case c) {
        return c.supports().stream().map(s -> new KitItem("support." + s.code(), (int) c.number(Fact.SUPPORT_COUNT))).toList();
    }
}
