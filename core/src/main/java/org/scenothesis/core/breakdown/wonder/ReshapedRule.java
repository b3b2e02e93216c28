package org.scenothesis.core.breakdown.wonder;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.Resolution;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.WonderKind;

/// Swollen, stretched, reshaped: the subject on screen, limbs as layers of their own, the costume in several sizes, shadows made again.
final class ReshapedRule implements WonderRule {
    private static final double FAR = 1.6;

    @Override
    public WonderKind kind() {
        return WonderKind.RESHAPED;
    }

    @Override
    public Map<Fact, String> assumed() {
        return PERSON;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>();
        q.add(WHO_OF_PEOPLE);
        q.addAll(Question.about(Fact.PART, Fact.AMOUNT, Fact.COSTUME, Fact.SIZE_M, Fact.MOTION, Fact.TRAVEL_M, Fact.EDGE, Fact.SHADOW, Fact.COLOURS));
        return q;
    }

    private static boolean mild(Case c) {
        double a = c.number(Fact.AMOUNT);
        return a <= 1.15 && a >= 0.87 && c.is(Fact.MOTION, "still");
    }

    @Override
    public List<Demand> demands(Case c) {
        return List.of(mild(c)
                ? new Demand(c.subject(), List.of(Way.MASK, Way.KEY, Way.ROTO), "reshaped.mild", Demand.Apart.NO)
                : new Demand(c.subject(), List.of(Way.KEY, Way.ROTO), "reshaped", Demand.Apart.NO));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        needs.add(c.clean("clean.reshaped", c.gone()));
        PlateNeed whole = c.separated(c.subject(), "thing").focusedOn("subject").hearing("action");
        needs.add(c.is(Fact.COSTUME, "inflated") ? whole.wearing("inflated") : whole);
        if (c.is(Fact.PART, "arms", "legs", "head") && !mild(c)) {
            needs.add(whole.as("limb-" + c.answer(Fact.PART) + "-" + c.id(c.subject()), PlateRole.PARTIAL_BODY, "reshaped.limb")
                    .lasting(whole.rollSeconds(), 2).following(whole.key())
                    .recording("seam").positions("limb.apart"));
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        return c.number(Fact.AMOUNT) > FAR && c.is(Fact.EDGE, "hair")
                ? List.of(Conflict.watch("reshaped.hair", c.wonder().id(), c.subject(), c.number(Fact.AMOUNT))) : List.of();
    }

    @Override
    public List<Figure> figures(Case c) {
        double need = c.number(Fact.AMOUNT) * Resolution.background(c.number(Fact.RECORD_PX), c.number(Fact.FINISH_PX), Resolution.crop(c.told(), c.rules()));
        return List.of(Figure.tells("reshaped.pixels", c.subject(), need, "\u00d7").judged(c.rules().limit(Measure.ENLARGEMENT).judge(need)));
    }

    @Override
    public List<KitItem> kit(Case c) {
        return c.is(Fact.COSTUME, "inflated") ? List.of(new KitItem("costume.sizes", 3)) : List.of();
    }
}
