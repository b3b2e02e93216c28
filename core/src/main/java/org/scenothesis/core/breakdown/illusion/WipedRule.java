package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.List;
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
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Wiped by a material that covers and uncovers the frame, filmed on screen colour with the camera square to the board, then retimed to
/// fit.
final class WipedRule implements IllusionRule {
    /// Bringing the camera square to the board.
    private static final double SQUARE_MINUTES = 5;

    @Override
    public IllusionKind kind() {
        return IllusionKind.WIPED;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(IllusionRule.element(c));
        q.addAll(Question.about(Fact.MATERIAL, Fact.WIPE_S, Fact.FILMED_S, Fact.AFTER, Fact.ACTOR, Fact.GREEN_NEAR, Fact.COLOURS));
        return q;
    }

    @Override
    public List<Demand> demands(Case c) {
        List<Way> ways = c.is(Answer.Material.WATER) ? List.of(Way.BLACK, Way.KEY, Way.ROTO) : List.of(Way.KEY, Way.BLACK, Way.ROTO);
        return List.of(new Demand(c.subject(), ways, c.is(Answer.Material.WATER) ? Because.WIPED_WATER : Because.WIPED,
                Demand.Apart.LIGHT));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        var t = c.treatment(c.subject());
        List<PlateNeed> needs = new ArrayList<>();
        boolean keyed = t.way() == Way.KEY;
        needs.add(c.here(c.elementKey(c.subject()), keyed ? PlateRole.TRANSITION : PlateRole.ON_BLACK, Reason.WIPED, c.subject())
                .withWay(t.way())
                .inGroups(t.lock(), t.light())
                .with(Item.prop(c.subject()), Item.support("board")).without(Item.coded("crew", Item.Sort.CREW))
                .on(keyed ? t.cloth() : Screen.BLACK, Region.ALL)
                .lasting(c.number(Fact.FILMED_S) + 2 * Case.HANDLES_S, c.takes()).taking(SQUARE_MINUTES)
                .recording("square", "wipe.ends"));
        Item[] who = c.answer(Fact.ACTOR).isBlank() ? new Item[0] : new Item[] {Item.person(c.answer(Fact.ACTOR))};
        needs.add(who.length > 0 ? c.acting(Reason.WIPED_BEFORE) : c.here(PlateKey.only(PlateKey.Kind.BEFORE), PlateRole.PRACTICAL,
                Reason.WIPED_BEFORE, c.subject())
                .lasting(c.roll(), c.takes()));
        if (c.is(Answer.After.CHANGED)) {
            needs.add(c.here(PlateKey.only(PlateKey.Kind.AFTER), PlateRole.PRACTICAL, Reason.WIPED_AFTER, c.subject())
                    .lasting(c.roll(), c.takes()).with(who)
                    .with(Item.coded("changed", Item.Sort.PROP))
                    .following(needs.getLast().key()));
        }
        return needs;
    }

    @Override
    public List<Figure> figures(Case c) {
        return List.of(Figure.tells(
                FigureKind.WIPE_RETIME, c.subject(), c.number(Fact.FILMED_S) / c.number(Fact.WIPE_S), "\u00d7", c.number(Fact.FILMED_S),
                c.number(Fact.WIPE_S),
                c.number(Fact.FILMED_S) + 2 * Case.HANDLES_S));
    }

    @Override
    public List<KitItem> kit(Case c) {
        List<KitItem> k = new ArrayList<>(KitItem.each("board", "overhead", "material." + c.answer(Fact.MATERIAL), "goggles"));
        k.addAll(switch (c.choice(Answer.Material.class)) {
            case POWDER, SAND -> KitItem.each("material.sieve", "material.border", "material.tray");
            case WATER -> KitItem.each("material.tray");
            case PAPER, LEAVES -> KitItem.each("material.blower", "material.border");
        });
        return k;
    }
}
