package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.fact.Answer;
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
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Swollen, stretched, reshaped: the subject on screen, limbs as layers of their own, the costume in several sizes, shadows made again.
final class ReshapedRule implements IllusionRule {
    private static final double FAR = 1.6;

    @Override
    public IllusionKind kind() {
        return IllusionKind.RESHAPED;
    }

    @Override
    public Map<Fact, String> assumed() {
        return PERSON;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>();
        q.add(WHO_OF_PEOPLE);
        q.addAll(Question.about(Fact.PART, Fact.AMOUNT, Fact.COSTUME, Fact.STAGES, Fact.SIZE_M, Fact.MOTION, Fact.TRAVEL_M, Fact.EDGE,
                Fact.SHADOW, Fact.COLOURS));
        return q;
    }

    private static boolean mild(Case c) {
        double a = c.number(Fact.AMOUNT);
        return a <= 1.15 && a >= 0.87 && c.is(Answer.Motion.STILL);
    }

    @Override
    public List<Demand> demands(Case c) {
        return List.of(mild(c)
                ? new Demand(c.subject(), List.of(Way.MASK, Way.KEY, Way.ROTO), Because.RESHAPED_MILD, Demand.Apart.NO)
                : new Demand(c.subject(), List.of(Way.KEY, Way.ROTO), Because.RESHAPED, Demand.Apart.NO));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        needs.add(c.clean(Reason.CLEAN_RESHAPED, c.gone()));
        PlateNeed whole = c.separated(c.subject(), Reason.THING).focusedOn("subject").hearing("action");
        int stages = (int) c.number(Fact.STAGES);
        boolean apart = c.is(Answer.Part.ARMS, Answer.Part.LEGS, Answer.Part.HEAD) && !mild(c);
        // The limb is a layer of its own, so the rest is filmed without it.
        PlateNeed rest = apart ? whole.as(whole.key(), PlateRole.PARTIAL_BODY, Reason.RESHAPED_REST).recording("seam") : whole;
        needs.add(stages > 1 ? rest.recording("stage.first") : rest);
        for (int i = 2; i <= stages; i++) {
            PlateKey before = needs.getLast().key();
            needs.add(rest.withKey(whole.key().next(i)).withReason(Reason.RESHAPED_STAGE).withAbout(c.subject() + ", size " + i)
                    .following(before));
        }
        if (apart) {
            needs.add(whole.as(new PlateKey(PlateKey.Kind.LIMB, c.answer(Fact.PART) + "-" + c.id(c.subject())), PlateRole.PARTIAL_BODY,
                    Reason.RESHAPED_LIMB)
                    .lasting(whole.rollSeconds(), 2).following(whole.key())
                    .recording("seam").positions("limb.apart"));
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        return c.number(Fact.AMOUNT) > FAR && c.is(Answer.Edge.HAIR)
                ? List.of(Conflict.watch(ConflictKind.RESHAPED_HAIR, c.illusion().id(), c.subject(), c.number(Fact.AMOUNT))) : List.of();
    }

    @Override
    public List<Figure> figures(Case c) {
        double need = c.number(Fact.AMOUNT) * Resolution.background(c.number(Fact.RECORD_PX), c.number(Fact.FINISH_PX),
                Resolution.crop(c.told(), c.rules()));
        return List.of(Figure.tells(FigureKind.RESHAPED_PIXELS, c.subject(), need, "\u00d7")
                .judged(c.rules().limit(Measure.ENLARGEMENT).judge(need)));
    }

    @Override
    public List<KitItem> kit(Case c) {
        int stages = (int) c.number(Fact.STAGES);
        return stages > 1 || c.is(Answer.Costume.INFLATED)
                ? List.of(new KitItem("costume.sizes", Math.max(stages, c.told().given(Fact.STAGES) ? 1 : 3))) : List.of();
    }
}
