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
import org.scenothesis.core.breakdown.number.ClothGeometry;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Hidden, invisible, partly missing: by a cloth, a hood, sleeves or a suit in the screen colour, over a clean plate of exactly what must
/// show through.
final class HiddenRule implements IllusionRule {
    /// How much of a body a part of it is at most.
    private static final double PART_SHARE = 0.5;

    @Override
    public IllusionKind kind() {
        return IllusionKind.HIDDEN;
    }

    @Override
    public Map<Fact, String> assumed() {
        return Map.of(Fact.WHO, Answer.Who.PERSON.code(), Fact.MOTION, Answer.Motion.WALKS.code());
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>();
        q.add(WHO_OF_PEOPLE);
        q.add(Question.about(Fact.HIDDEN_AS));
        if (garment(c)) {
            q.addAll(Question.about(Fact.BY, Fact.PART));
        }
        q.add(Question.among(Answer.Motion.WALKS, Answer.Motion.STILL, Answer.Motion.TURNS));
        q.addAll(Question.about(Fact.SURFACE, Fact.EDGE, Fact.COLOURS));
        if (garment(c) && c.is(Answer.By.CLOTH)) {
            q.addAll(Question.about(Fact.SIZE_M, Fact.TRAVEL_M));
        }
        if (garment(c) && !c.is(Answer.By.CLOTH)) {
            q.addAll(Question.about(Fact.OVER_CLOTHES, Fact.INSIDE_SEEN));
        }
        return q;
    }

    /// Whoever is seen at another time of the shot is hidden in a plate of its own.
    private static String thing(Case c) {
        return c.inState("hidden");
    }

    /// A ghost is seen, so nothing of it wears the screen colour.
    private static boolean garment(Case c) {
        return c.is(Answer.HiddenAs.GONE);
    }

    /// Whether something in the screen colour is in the frame: also before a cloth, where another illusion asked for one.
    private static boolean covered(Case c) {
        Way way = c.treatment(thing(c)).way();
        return garment(c) && (way == Way.SUIT || way == Way.KEY);
    }

    @Override
    public List<Demand> demands(Case c) {
        boolean still = c.is(Answer.Motion.STILL) && c.is(Answer.Edge.CLEAN);
        if (!garment(c)) {
            return List.of(new Demand(thing(c), still ? List.of(Way.MASK, Way.KEY, Way.ROTO) : List.of(Way.KEY, Way.ROTO),
                    Because.HIDDEN_THROUGH, Demand.Apart.NO));
        }
        return List.of(new Demand(thing(c), still ? List.of(Way.MASK, Way.SUIT, Way.ROTO) : List.of(Way.SUIT, Way.ROTO), still
                ? Because.HIDDEN_STILL : worn(c), Demand.Apart.NO));
    }

    private static Because worn(Case c) {
        return switch (c.choice(Answer.By.class)) {
            case CLOTH -> Because.HIDDEN_CLOTH;
            case SUIT -> Because.HIDDEN_SUIT;
            case HOOD -> Because.HIDDEN_HOOD;
            case SLEEVES -> Because.HIDDEN_SLEEVES;
            case LEGS -> Because.HIDDEN_LEGS;
        };
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        PlateNeed clean = c.clean(Reason.CLEAN_HIDDEN, c.gone());
        needs.add(c.is(Answer.Surface.NONE) ? clean : clean.recording("surface"));
        PlateNeed acted = c.separated(thing(c), Reason.THING).with(c.person() ? Item.person(c.subject()) : Item.prop(c.subject()))
                .focusedOn("subject").hearing("action");
        boolean cloth = c.is(Answer.By.CLOTH);
        if (covered(c)) {
            String by = "suit." + c.answer(Fact.BY);
            acted = (cloth ? acted.with(Item.support(by)) : acted.with(Item.worn(by)).wearing(by))
                    .recording("suit.patch", "suit.taut", "suit.shadow");
        }
        needs.add(acted);
        if (covered(c) && !cloth && c.yes(Fact.INSIDE_SEEN)) {
            needs.add(c.here(c.key(PlateKey.Kind.INSIDE), PlateRole.FOREGROUND, Reason.HIDDEN_INSIDE, c.subject())
                    .with(Item.support("form"))
                    .lasting(c.roll(), 1));
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        String id = c.illusion().id();
        if (c.is(Answer.Surface.YIELDS) && c.is(Answer.Part.ALL, Answer.Part.LEGS, Answer.Part.TORSO)) {
            out.add(Conflict.redo(ConflictKind.SEAT_YIELDS, id, c.subject()));
        }
        boolean suited = garment(c) && !c.is(Answer.Motion.STILL);
        if (suited && c.yes(Fact.OVER_CLOTHES)) {
            out.add(Conflict.watch(ConflictKind.SUIT_OVER, id, c.subject()));
        }
        if (suited && c.is(Answer.Light.SUN)) {
            out.add(Conflict.watch(ConflictKind.SUIT_SUN, id, c.subject()));
        }
        return out;
    }

    @Override
    public List<KitItem> kit(Case c) {
        return covered(c) ? KitItem.each("suit." + c.answer(Fact.BY)) : List.of();
    }

    /// How large a cloth must be that hides somebody who moves behind it.
    @Override
    public List<Figure> figures(Case c) {
        if (!covered(c) || !c.is(Answer.By.CLOTH)) {
            return List.of();
        }
        double high = c.number(Fact.SIZE_M) * (c.is(Answer.Part.ALL) ? 1 : PART_SHARE) + 2 * ClothGeometry.MARGIN_M;
        double wide = c.number(Fact.SIZE_M) * Bodies.WIDE_SHARE + (c.is(Answer.Motion.STILL) ? 0 : c.number(Fact.TRAVEL_M))
                + 2 * ClothGeometry.MARGIN_M;
        return List.of(Figure.tells(FigureKind.COVER, c.subject(), wide, "m", high));
    }
}
