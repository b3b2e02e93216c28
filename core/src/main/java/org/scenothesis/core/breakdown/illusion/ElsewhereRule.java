package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Because;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.number.Resolution;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Put into another place: the background is judged first, its lens, height, distance and light are read from it and rebuilt where the
/// cloth stands.
final class ElsewhereRule implements IllusionRule {
    @Override
    public IllusionKind kind() {
        return IllusionKind.ELSEWHERE;
    }

    @Override
    public Map<Fact, String> assumed() {
        return PERSON;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>();
        q.add(WHO_OF_PEOPLE);
        q.addAll(IllusionRule.creature(c));
        // Of another base all this was told once for the shot.
        boolean own = Answers.of(c.shot().setting()).is(Answer.Base.HERE);
        if (own) {
            q.addAll(Question.about(Fact.SOURCE, Fact.BACKGROUND_CAMERA, Fact.EMPTY_ROOM, Fact.BACKGROUND_M, Fact.LENS_M));
        }
        if (c.is(Answer.Source.EXISTING)) {
            q.addAll(own ? Question.about(Fact.BACKGROUND_PX, Fact.BARS) : List.of(Question.about(Fact.BARS)));
        }
        q.addAll(Question.about(Fact.FEET, Fact.SIZE_M, Fact.MOTION, Fact.TRAVEL_M, Fact.EDGE, Fact.IN_FRONT, Fact.SHADOW, Fact.GREEN_NEAR,
                Fact.COLOURS, Fact.FILLS, Fact.FILMED_FILLS));
        return q;
    }

    @Override
    public List<Demand> demands(Case c) {
        boolean still = c.is(Answer.Motion.STILL) && c.is(Answer.Edge.CLEAN) && !c.living();
        return List.of(new Demand(c.subject(), still ? List.of(Way.KEY, Way.WHITE, Way.ROTO) : List.of(Way.KEY, Way.ROTO),
                Because.ELSEWHERE,
                Demand.Apart.LIGHT));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        boolean made = c.is(Answer.Source.MADE);
        if (made) {
            needs.add(c.clean(Reason.CLEAN_ELSEWHERE).recording("lens", "shadow"));
        } else {
            needs.add(c.yes(Fact.BARS) ? c.borrowed().recording("bars") : c.borrowed());
        }
        needs.add(c.separated(c.subject(), Reason.THING).focusedOn("subject").hearing("action").recording("ball"));
        if (c.yes(Fact.IN_FRONT) && made) {
            needs.add(c.here(PlateKey.only(PlateKey.Kind.FOREGROUND), PlateRole.FOREGROUND, Reason.FOREGROUND, ""));
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        String id = c.illusion().id();
        Answer.BackgroundCamera move = c.choice(Answer.BackgroundCamera.class);
        if (move == Answer.BackgroundCamera.PARALLAX || move != Answer.BackgroundCamera.STILL && c.rules()
                .follows(Approach.MOVING_BACKGROUND, "refuse")) {
            out.add(Conflict.redo(ConflictKind.BACKGROUND_PARALLAX, id, c.subject()));
        } else if (move != Answer.BackgroundCamera.STILL) {
            out.add(Conflict.watch(ConflictKind.BACKGROUND_MOVE, id, c.subject()));
        }
        if (!c.yes(Fact.EMPTY_ROOM)) {
            out.add(Conflict.watch(ConflictKind.BACKGROUND_FULL, id, c.subject()));
        }
        return out;
    }

    @Override
    public List<Figure> figures(Case c) {
        List<Figure> out = new ArrayList<>();
        double have = c.is(Answer.Source.EXISTING) ? c.number(Fact.BACKGROUND_PX) : c.number(Fact.RECORD_PX);
        double need = Resolution.background(have, c.number(Fact.FINISH_PX), Resolution.crop(c.told(), c.rules()));
        Verdict v = c.rules().limit(Measure.ENLARGEMENT).judge(need);
        out.add(Figure.tells(FigureKind.RESOLUTION_BACKGROUND, c.subject(), need, "\u00d7", have, c.number(Fact.FINISH_PX)).judged(v));
        out.add(Figure.tells(FigureKind.REBUILD_DISTANCE, c.subject(), c.number(Fact.BACKGROUND_M), "m", c.number(Fact.LENS_M)));
        return out;
    }
}
