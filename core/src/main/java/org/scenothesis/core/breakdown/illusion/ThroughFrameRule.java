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
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Comes through a frame: screen colour in the opening, a second cloth where limbs cross, corners to pin, and what lies behind it.
final class ThroughFrameRule implements IllusionRule {
    /// How far limbs reach out of a frame.
    private static final double REACH_M = 1;

    @Override
    public IllusionKind kind() {
        return IllusionKind.THROUGH_FRAME;
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
        q.addAll(Question.about(Fact.FRAME_KIND, Fact.LIMBS, Fact.BACK, Fact.CORNERS, Fact.SIZE_M, Fact.TRAVEL_M, Fact.EDGE));
        if (c.is(Answer.FrameKind.DISPLAY, Answer.FrameKind.MIRROR, Answer.FrameKind.PICTURE)) {
            q.add(Question.about(Fact.REFLECTS));
        }
        q.add(Question.about(Fact.SOURCE));
        if (c.is(Answer.Source.EXISTING)) {
            q.add(Question.about(Fact.BACKGROUND_PX));
        }
        q.add(Question.about(Fact.PERFORMER));
        if (c.yes(Fact.PERFORMER)) {
            q.addAll(Question.about(Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M));
        }
        q.add(Question.about(Fact.COLOURS));
        return q;
    }

    @Override
    public List<Demand> demands(Case c) {
        // A display, a mirror, a picture, a page are no holes: a cloth lies in them, and whoever comes out is filmed elsewhere.
        boolean hole = c.is(Answer.FrameKind.DOORWAY);
        return List.of(new Demand(c.subject(), List.of(Way.KEY, Way.ROTO), hole ? Because.THROUGH : Because.THROUGH_INSERT, hole
                ? Demand.Apart.NO
                : Demand.Apart.LIGHT));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        boolean home = c.treatment(c.subject()).lock().equals(Case.HOME);
        Screen cloth = c.treatment(c.subject()).cloth();
        needs.add(c.clean(Reason.CLEAN_FRAME, c.gone()).recording("corners"));
        if (home) {
            // Subject and opening are one picture: it acts in the opening itself.
            needs.add(limbs(c, c.separated(c.subject(), Reason.THING).recording("corners").focusedOn("opening").hearing("action")));
        } else {
            needs.add(limbs(c, c.separated(c.subject(), Reason.THING).focusedOn("subject").hearing("action")));
            needs.add(c.here(PlateKey.only(PlateKey.Kind.INSERT), PlateRole.FRAME_INSERT, Reason.FRAME_INSERT, c.subject())
                    .on(cloth == Screen.NONE ? Screen.GREEN
                    : cloth, c.region()).recording("corners"));
        }
        if (c.yes(Fact.BACK)) {
            needs.replaceAll(n -> n.key().equals(c.elementKey(c.subject())) ? n.recording("way.back") : n);
        }
        if (c.yes(Fact.PERFORMER)) {
            needs.add(c.acting(Reason.ACTING_SEES).looking(c.eyelines(c.number(Fact.REST_M), c.number(Fact.REST_M))));
        }
        if (c.is(Answer.Source.MADE)) {
            needs.add(c.here(c.key(PlateKey.Kind.BEHIND), PlateRole.BACKGROUND, Reason.FRAME_BEHIND, c.subject()).inGroups("W", "W")
                    .lasting(c.roll(), 1).recording("lens"));
        } else {
            needs.add(c.borrowed());
        }
        return needs;
    }

    /// Where limbs come out, a second cloth is before the frame, and one on the floor under them.
    private static PlateNeed limbs(Case c, PlateNeed n) {
        if (!c.yes(Fact.LIMBS) || n.screen() == Screen.NONE) {
            return n;
        }
        return n.with(Item.support("second.cloth")).on(n.screen(), n.region().onFloor(REACH_M)).recording("limb.edge");
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        if (!c.yes(Fact.CORNERS)) {
            out.add(Conflict.watch(ConflictKind.FRAME_CORNERS, c.illusion().id(), c.subject()));
        }
        if (c.yes(Fact.REFLECTS) && c.is(Answer.FrameKind.DISPLAY, Answer.FrameKind.MIRROR, Answer.FrameKind.PICTURE)) {
            out.add(Conflict.watch(ConflictKind.FRAME_REFLECTS, c.illusion().id(), c.subject()));
        }
        return out;
    }

    @Override
    public List<KitItem> kit(Case c) {
        List<KitItem> k = new ArrayList<>(KitItem.each("corners"));
        if (c.yes(Fact.LIMBS)) {
            k.add(KitItem.one("second.cloth"));
        }
        if (c.yes(Fact.REFLECTS)) {
            k.add(KitItem.one("hood"));
        }
        return k;
    }
}
