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
import org.scenothesis.core.breakdown.number.Bodies;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.number.Scale;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Bigger or smaller than life: the same view angle, distance and height of the lens scaled by the factor, time stretched by its root.
final class SizeRule implements IllusionRule {
    /// Depth of a person from toe to heel of a step, for the foreshortening.
    private static final double DEPTH_M = 0.6;

    @Override
    public IllusionKind kind() {
        return IllusionKind.OTHER_SIZE;
    }

    @Override
    public Map<Fact, String> assumed() {
        return Map.of(Fact.WHO, Answer.Who.PERSON.code(), Fact.MOTION, Answer.Motion.WALKS.code());
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>();
        q.add(WHO_OF_PEOPLE);
        q.addAll(IllusionRule.creature(c));
        q.add(Question.about(Fact.FACTOR));
        q.add(giant(c) ? Question.among(Answer.Pace.SIZE, Answer.Pace.OWN) : Question.among(Answer.Pace.OWN, Answer.Pace.SIZE));
        q.addAll(Question.about(Fact.CHANGES, Fact.SIZE_M));
        q.add(Question.among(Answer.Motion.WALKS, Answer.Motion.STILL, Answer.Motion.DRIFTS, Answer.Motion.TURNS));
        q.addAll(Question.about(Fact.TRAVEL_M, Fact.CONTACT, Fact.PERFORMER));
        if (c.yes(Fact.PERFORMER)) {
            q.addAll(Question.about(Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M));
        }
        q.add(Question.about(Fact.REST_M));
        q.addAll(c.ownCamera());
        q.addAll(Question.about(Fact.ROOM_M, Fact.EDGE, Fact.IN_FRONT, Fact.COSTUME, Fact.COLOURS, Fact.FILLS, Fact.FILMED_FILLS));
        return q;
    }

    @Override
    public List<Demand> demands(Case c) {
        return List.of(new Demand(c.subject(), List.of(Way.KEY, Way.ROTO), Because.SIZE, Demand.Apart.CAMERA));
    }

    private static boolean giant(Case c) {
        return c.number(Fact.FACTOR) > 1;
    }

    /// Giants move at the pace of their size until told otherwise, small ones as they were filmed.
    private static boolean atItsPace(Case c) {
        return c.told().given(Fact.PACE) ? c.is(Answer.Pace.SIZE) : giant(c);
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        needs.add(c.clean(Reason.CLEAN_SIZE, c.gone()));
        double high = c.number(Fact.REST_M) + c.number(Fact.SIZE_M) * c.number(Fact.FACTOR);
        if (c.yes(Fact.PERFORMER)) {
            needs.add(c.acting(Reason.ACTING_SIZE).looking(c.eyelines(high, high)));
        }
        double stretched = atItsPace(c) && !giant(c) ? c.roll() / new Scale(c.number(Fact.FACTOR)).time() : 0;
        needs.add(c.separated(c.subject(), Reason.THING).lasting(Math.max(c.roll(), stretched), c.takes())
                .focusedOn("subject").positions("left", "middle", "right").hearing("step").following(PlateKey.CLEAN).looking(own(c)));
        if (c.yes(Fact.CHANGES)) {
            // Until it begins to change it is seen at its own size, from the shot's own camera.
            needs.add(c.separated(c.subject(), Reason.THING).withKey(c.key(PlateKey.Kind.OWN_SIZE)).withReason(Reason.SIZE_OWN)
                    .inGroups(Case.HOME, Case.HOME).recording("event").following(PlateKey.CLEAN));
        }
        if (!c.is(Answer.Contact.NO)) {
            needs.add(c.here(c.key(PlateKey.Kind.CONTACT), PlateRole.FOREGROUND, c.is(Answer.Contact.PEOPLE) ? Reason.SIZE_CONTACT_PEOPLE
                    : Reason.SIZE_CONTACT_THINGS, c.subject())
                    .lasting(c.roll(), 2));
        }
        if (c.yes(Fact.IN_FRONT)) {
            needs.add(c.here(PlateKey.only(PlateKey.Kind.FOREGROUND), PlateRole.FOREGROUND, Reason.FOREGROUND, ""));
        }
        if (giant(c)) {
            needs.add(c.here(PlateKey.only(PlateKey.Kind.HEADROOM), PlateRole.BACKGROUND, Reason.SIZE_HEADROOM, c.subject())
                    .inGroups("V", Case.HOME)
                    .lasting(c.cleanRoll(), 1));
            if (c.is(Answer.Motion.WALKS)) {
                needs.add(c.here(PlateKey.only(PlateKey.Kind.DUST), PlateRole.ATMOSPHERE, Reason.SIZE_DUST, c.subject()).lasting(4, 2)
                        .onlyProposed());
            }
        }
        return needs;
    }

    /// Where the one of another size looks to meet the eyes of those of normal size: their height above its floor, and their distance, in
    /// its own measure.
    private static Eyeline[] own(Case c) {
        boolean meets = c.yes(Fact.PERFORMER) || c.copies(c.subject()).isPresent();
        if (!meets || !c.living()) {
            return new Eyeline[0];
        }
        double k = c.number(Fact.FACTOR);
        String at = c.answer(Fact.ACTOR).isBlank() ? c.subject() : c.answer(Fact.ACTOR);
        double mark = (c.number(Fact.EYES_M) - c.number(Fact.REST_M)) / k;
        return new Eyeline[] {Eyeline.of(c.subject(), at, c.illusion().fromSeconds(), Bodies.EYES_SHARE * c.number(Fact.SIZE_M), mark,
                c.number(Fact.DISTANCE_M) / k)};
    }

    private static double lens(Case c) {
        return new Scale(c.number(Fact.FACTOR)).lensM(c.number(Fact.LENS_M), c.number(Fact.REST_M));
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        Scale s = new Scale(c.number(Fact.FACTOR));
        double distance = s.distanceM(c.number(Fact.BACKGROUND_M));
        if (distance > c.number(Fact.ROOM_M) + 1e-9) {
            double left = s.foreshortening(DEPTH_M, c.number(Fact.BACKGROUND_M), c.number(Fact.ROOM_M));
            out.add(Conflict.watch(ConflictKind.SIZE_ROOM, c.illusion().id(), c.subject(), distance, c.number(Fact.ROOM_M), 100 * left));
        }
        LensOfIllusion.stands(c, lens(c), distance).ifPresent(out::add);
        if (c.yes(Fact.CHANGES)) {
            out.add(Conflict.watch(ConflictKind.SIZE_CHANGES, c.illusion().id(), c.subject(), c.number(Fact.BACKGROUND_M),
                    Math.min(distance, c.number(Fact.ROOM_M))));
        }
        double rate = c.number(Fact.RATE_PER_S) * s.time();
        boolean filmedFast = atItsPace(c) && (!giant(c) || c.rules().follows(Approach.GIANTS, "rate"));
        if (filmedFast && rate > c.number(Fact.MAX_RATE) + 1e-9) {
            out.add(Conflict.redo(ConflictKind.RATE_OVER, c.illusion().id(), c.subject(), rate, c.number(Fact.MAX_RATE),
                    c.number(Fact.MAX_RATE) / rate));
        }
        if (c.is(Answer.Contact.PEOPLE)) {
            out.add(Conflict.watch(ConflictKind.SIZE_PEOPLE, c.illusion().id(), c.subject()));
        }
        return out;
    }

    @Override
    public List<Figure> figures(Case c) {
        Scale s = new Scale(c.number(Fact.FACTOR));
        double background = c.number(Fact.BACKGROUND_M);
        List<Figure> out = new ArrayList<>();
        out.add(Figure.tells(FigureKind.SIZE_DISTANCE, c.subject(), s.distanceM(background), "m", background, s.factor())
                .judged(s.distanceM(background) <= c.number(Fact.ROOM_M) ? Verdict.HOLDS : Verdict.WATCH));
        out.add(Figure.tells(FigureKind.SIZE_LENS, c.subject(), lens(c), "m", c.number(Fact.LENS_M), c.number(Fact.REST_M)));
        out.add(Figure.tells(FigureKind.SIZE_TIME, c.subject(), s.time(), "\u00d7"));
        if (!atItsPace(c)) {
            return out;
        }
        if (!giant(c) || c.rules().follows(Approach.GIANTS, "rate")) {
            out.add(Figure.tells(FigureKind.GIANT_RATE, c.subject(), c.number(Fact.RATE_PER_S) * s.time(), "per s"));
        } else {
            out.add(Figure.tells(FigureKind.GIANT_SLOW, c.subject(), 1 / s.time(), "\u00d7"));
        }
        return out;
    }

    @Override
    public List<KitItem> kit(Case c) {
        return c.is(Answer.Contact.NO) ? KitItem.each("tape.measure") : KitItem.each("tape.measure", "block");
    }
}
