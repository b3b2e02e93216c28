package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Because;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.IllusionKind;

/// Passes around the viewer: each object cut out once from a plain ground, its path in metres with depth, so that size, sharpness and
/// overlap follow.
final class PassesAroundRule implements IllusionRule {
    @Override
    public IllusionKind kind() {
        return IllusionKind.PASSES_AROUND;
    }

    @Override
    public Map<Fact, String> assumed() {
        return Map.of(Fact.MOTION, Answer.Motion.TURNS.code());
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.COUNT, Fact.SIZE_M, Fact.NEAREST_M, Fact.FARTHEST_M));
        q.add(Question.among(Answer.Motion.TURNS, Answer.Motion.STILL, Answer.Motion.DRIFTS));
        q.addAll(Question.about(Fact.GROUND, Fact.EDGE, Fact.BEHIND));
        q.addAll(new InFront(c).questions());
        q.add(Question.about(Fact.PERFORMER));
        if (c.yes(Fact.PERFORMER)) {
            q.addAll(Question.about(Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M));
        }
        if (c.is(Answer.Ground.SCREEN)) {
            q.addAll(Question.about(Fact.GREEN_NEAR, Fact.COLOURS));
        }
        if (!c.is(Answer.Ground.SCREEN)) {
            q.addAll(IllusionRule.element(c));
        }
        q.addAll(Question.about(Fact.FILLS, Fact.FILMED_FILLS));
        return q;
    }

    @Override
    public List<Demand> demands(Case c) {
        Way way = switch (c.choice(Answer.Ground.class)) {
            case BLACK -> Way.BLACK;
            case SCREEN -> Way.KEY;
            case WHITE -> Way.WHITE;
        };
        List<Way> ways = new ArrayList<>(List.of(way));
        for (Way w : List.of(Way.WHITE, Way.KEY, Way.ROTO)) {
            if (w != way) {
                ways.add(w);
            }
        }
        List<Demand> out = new ArrayList<>(List.of(new Demand(c.subject(), ways, switch (c.choice(Answer.Ground.class)) {
            case WHITE -> Because.PASSES_WHITE;
            case BLACK -> Because.PASSES_BLACK;
            case SCREEN -> Because.PASSES_SCREEN;
        }, Demand.Apart.LIGHT)));
        out.addAll(new InFront(c).demands());
        return out;
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        int count = (int) c.number(Fact.COUNT);
        Screen ground = switch (c.treatment(c.subject()).way()) {
            case BLACK -> Screen.BLACK;
            case WHITE -> Screen.WHITE;
            case KEY, SUIT, MASK, ROTO -> c.treatment(c.subject()).cloth();
        };
        PlateNeed object = c.separated(c.subject(), Reason.THING).positions("far", "near", "passing").focusedOn("subject")
                .taking(Math.min(12, count) - 1.0);
        object = object.on(ground, object.region()).lasting(c.is(Answer.Motion.STILL) ? 0 : 3, Math.min(12, count));
        needs.add(object);
        if (c.yes(Fact.PERFORMER)) {
            needs.add(new InFront(c)
                    .acting(c.acting(Reason.ACTING_SEES).looking(c.eyelines(c.number(Fact.EYES_M), c.number(Fact.EYES_M)))));
        }
        needs.addAll(new InFront(c).plates());
        if (c.yes(Fact.BEHIND) || !c.yes(Fact.PERFORMER)) {
            needs.add(c.clean(c.yes(Fact.BEHIND) ? Reason.CLEAN_BEHIND : Reason.CLEAN_AROUND, c.actors()));
        }
        return needs;
    }

    @Override
    public List<Figure> figures(Case c) {
        double near = c.number(Fact.NEAREST_M);
        double far = c.number(Fact.FARTHEST_M);
        return List.of(Figure.tells(FigureKind.PATH_SIZES, c.subject(), far / near, "\u00d7", near, far)
                .judged(near < far ? Verdict.NOT_MEASURED
                : Verdict.REDO));
    }

    @Override
    public List<KitItem> kit(Case c) {
        return c.treatment(c.subject()).way() == Way.BLACK ? KitItem.each("cloth.black") : c.treatment(c.subject()).way() == Way.WHITE
                ? KitItem.each("board.white") : List.of();
    }
}
