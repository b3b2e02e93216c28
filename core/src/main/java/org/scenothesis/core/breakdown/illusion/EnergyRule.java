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
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Light or energy attached to someone: an element on black, added; the body point tracked; its light on the set by a small lamp or a light
/// pass.
final class EnergyRule implements IllusionRule {
    @Override
    public IllusionKind kind() {
        return IllusionKind.ENERGY;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.ENERGY, Fact.POINT, Fact.LIGHTS, Fact.ACTOR));
        if (c.is(Answer.Energy.FLASHES)) {
            q.add(Question.about(Fact.FLASHES));
        }
        q.addAll(IllusionRule.element(c));
        q.addAll(Question.about(Fact.FILLS, Fact.FILMED_FILLS));
        return q;
    }

    private static String element(Case c) {
        return c.answer(Fact.ENERGY) + " of " + c.subject();
    }

    @Override
    public List<Demand> demands(Case c) {
        return List.of(new Demand(element(c), List.of(Way.BLACK, Way.ROTO), Because.ENERGY, Demand.Apart.LIGHT));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        boolean lights = c.yes(Fact.LIGHTS);
        if (lights) {
            needs.add(c.clean(Reason.CLEAN_LIGHT, Item.support("lamp.small")));
        }
        PlateNeed acting = c.acting(Reason.ACTING_ENERGY).recording("track." + c.answer(Fact.POINT));
        needs.add(lights && !c.rules().follows(Approach.EFFECT_LIGHT, "paint") ? acting.with(Item.support("lamp.small")) : acting);
        if (c.treatment(element(c)).way() == Way.BLACK) {
            PlateNeed e = c.separated(element(c), Reason.THING).positions("several", "angles");
            needs.add(e.on(Screen.BLACK, e.region()));
        }
        if (lights) {
            needs.addAll(Lights.pass(c, "lamp.small"));
        }
        if (c.is(Answer.Energy.SMOKE, Answer.Energy.FIRE)) {
            needs.add(c.here(PlateKey.only(PlateKey.Kind.ATMOSPHERE), PlateRole.ATMOSPHERE, Reason.ENERGY_AIR, c.subject()).lasting(6, 2)
                    .onlyProposed());
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        return c.is(Answer.Energy.FLASHES) && c.number(Fact.FLASHES) > 3
                ? List.of(Conflict.redo(ConflictKind.FLASHES_FAST, c.illusion().id(), c.subject(), c.number(Fact.FLASHES)))
                : List.of();
    }

    @Override
    public List<KitItem> kit(Case c) {
        List<KitItem> k = new ArrayList<>(KitItem.each("cloth.black", "track.marks"));
        if (c.yes(Fact.LIGHTS)) {
            k.add(KitItem.one("lamp.small"));
        }
        return k;
    }
}
