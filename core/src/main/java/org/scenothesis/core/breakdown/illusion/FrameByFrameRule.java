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
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.number.Stills;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Alive frame by frame: photographs with fixed camera, light and base; what holds the subject is taken away by stills of the empty base.
final class FrameByFrameRule implements IllusionRule {
    @Override
    public IllusionKind kind() {
        return IllusionKind.FRAME_BY_FRAME;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.RATE, Fact.PER_FRAME_S, Fact.STILL_MEGABYTES, Fact.RIG, Fact.STILLS_ON,
                Fact.EDGE));
        if (cloth(c)) {
            q.addAll(Question.about(Fact.SIZE_M, Fact.TRAVEL_M, Fact.GREEN_NEAR, Fact.COLOURS));
        }
        return q;
    }

    @Override
    public List<Demand> demands(Case c) {
        if (cloth(c)) {
            return List.of(new Demand(c.subject(), List.of(Way.KEY, Way.ROTO), Because.FRAMES_CLOTH, Demand.Apart.NO));
        }
        return c.is(Answer.Rig.REMOVED) ? List.of(new Demand(c.subject(), List.of(Way.MASK, Way.ROTO), Because.FRAMES_RIG, Demand.Apart.NO))
                : List.of();
    }

    private static boolean cloth(Case c) {
        return c.is(Answer.StillsOn.CLOTH);
    }

    private static Stills stills(Case c) {
        return Stills.of(Math.max(0, c.illusion().toSeconds() - c.illusion().fromSeconds()), c.number(Fact.RATE),
                c.number(Fact.PER_FRAME_S));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        PlateNeed stills = c.here(c.elementKey(c.subject()), PlateRole.STILLS, Reason.FRAMES, c.subject())
                .lasting(0, 1).taking(stills(c).minutes()).with(Item.prop(c.subject())).focusedOn("subject")
                .recording("base", "no.daylight");
        boolean rig = c.is(Answer.Rig.REMOVED);
        stills = rig ? stills.with(Item.support("rig")) : stills;
        if (cloth(c)) {
            var t = c.treatment(c.subject());
            needs.add(t.way().cloth() ? stills.on(t.cloth(), c.region()).inGroups(t.lock(), t.light()) : stills);
            needs.add(c.clean(Reason.CLEAN_BASE, Item.support("rig"), Item.prop(c.subject())));
            return needs;
        }
        needs.add(stills);
        if (rig) {
            needs.add(c.clean(Reason.CLEAN_RIG, Item.support("rig"), Item.prop(c.subject())));
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        return c.is(Answer.Light.LAMPS) ? List.of()
                : List.of(Conflict.redo(ConflictKind.FRAMES_DAYLIGHT, c.illusion().id(), c.subject(), stills(c).minutes()));
    }

    @Override
    public List<Figure> figures(Case c) {
        Stills s = stills(c);
        return List.of(
                Figure.tells(FigureKind.STILLS_FRAMES, c.subject(), s.frames(), "", (double) s.spares(), (double) s.empties()),
                Figure.tells(FigureKind.STILLS_TIME, c.subject(), s.minutes(), "min", (double) s.all(), c.number(Fact.PER_FRAME_S)));
    }

    @Override
    public List<KitItem> kit(Case c) {
        return c.is(Answer.Rig.NONE) ? KitItem.each("remote") : KitItem.each("remote", "rig");
    }
}
