package org.scenothesis.core.breakdown.wonder;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Crowd;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.School;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.WonderKind;

/// Two or more of the same: one take per unique figure, each filmed where it will stand, focus held at the front row, repeats never side by side.
///
/// When another wonder happens to the same person (it is also small, or floats), the last figure is filmed by that wonder's plate.
final class CopiesRule implements WonderRule {
    private static final int FEW = 3;
    private static final int A_DAY = 12;

    @Override
    public WonderKind kind() {
        return WonderKind.COPIES;
    }

    @Override
    public Map<Fact, String> assumed() {
        return PERSON;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>();
        q.add(WHO_OF_PEOPLE);
        q.addAll(Question.about(Fact.FEET, Fact.COUNT, Fact.TOUCH, Fact.LOOKS, Fact.EDGE, Fact.COLOURS));
        if (!every(c)) {
            q.addAll(Question.about(Fact.ROWS, Fact.APART_SHARE));
        }
        if (!c.is(Fact.TOUCH, "apart")) {
            q.addAll(Question.about(Fact.SIZE_M, Fact.TRAVEL_M));
        }
        return q;
    }

    private static String among(Case c) {
        return c.subject() + " among the others";
    }

    @Override
    public List<Demand> demands(Case c) {
        boolean apart = c.is(Fact.TOUCH, "apart");
        return List.of(apart
                ? new Demand(among(c), List.of(Way.MASK, Way.KEY, Way.ROTO), "apart", Demand.Apart.NO)
                : new Demand(among(c), List.of(Way.KEY, Way.ROTO), c.answer(Fact.TOUCH), Demand.Apart.NO));
    }

    /// Whether every figure is performed: where the house wants it and a day allows it, and always for a few.
    private static boolean every(Case c) {
        double count = c.number(Fact.COUNT);
        return count <= FEW || count <= A_DAY && c.rules().follows(School.COPIES, "every");
    }

    private static Crowd crowd(Case c) {
        var places = Crowd.places((int) c.number(Fact.COUNT), (int) c.number(Fact.ROWS));
        return every(c) ? Crowd.spread(places, places.size()) : Crowd.fewest(places, c.number(Fact.APART_SHARE) / 100);
    }

    private static Optional<String> other(Case c) {
        return c.shot().wonders().stream()
                .filter(w -> w.kind() != WonderKind.COPIES && c.id(w.subject()).equals(c.id(c.subject())) && c.treatments().containsKey(c.id(w.subject())))
                .findFirst().map(w -> c.elementKey(w.subject()));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        needs.add(c.clean("clean.copies", c.gone()));
        int filmed = crowd(c).uniques() - (other(c).isPresent() ? 1 : 0);
        var t = c.treatment(among(c));
        for (int i = 1; i <= filmed; i++) {
            PlateNeed n = c.figure(c.subject(), i, i == 1 ? "copies.first" : "copies.next").lasting(c.roll(), c.takes()).focusedOn("front.row").positions("own.place", "feet");
            if (c.is(Fact.LOOKS, "yes")) {
                n = n.looking(Eyeline.of(c.subject(), c.subject(), c.wonder().fromSeconds(), c.number(Fact.EYES_M), c.number(Fact.EYES_M), c.number(Fact.DISTANCE_M)));
            }
            // The rearmost figure may stand before the real background; those that cross it need the cloth. Where there is none, the base says so.
            needs.add(t.way().cloth() && i > 1 && t.lock().equals(Case.HOME) ? screened(n, c, t.cloth()) : n);
        }
        return needs;
    }

    private static PlateNeed screened(PlateNeed n, Case c, Screen cloth) {
        var t = c.treatment(among(c));
        return n.as(n.key(), PlateRole.ON_SCREEN, "copies.screened").on(cloth, c.region()).inGroups(t.lock(), t.light());
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        if (c.is(Fact.TOUCH, "touch")) {
            out.add(Conflict.watch("copies.touch", c.wonder().id(), c.subject()));
        }
        if (c.is(Fact.CAMERA, "moving")) {
            out.add(Conflict.redo("copies.moving", c.wonder().id(), c.subject()));
        }
        return out;
    }

    @Override
    public List<Figure> figures(Case c) {
        int count = (int) c.number(Fact.COUNT);
        if (count < 4) {
            return List.of();
        }
        Crowd crowd = crowd(c);
        List<Figure> out = new ArrayList<>();
        out.add(Figure.tells("crowd.uniques", c.subject(), crowd.uniques(), "", (double) count));
        if (crowd.uniques() < count) {
            double wanted = c.number(Fact.APART_SHARE) / 100;
            out.add(Figure.tells("crowd.nearest", c.subject(), 100 * crowd.nearest(), "%", 100 * wanted)
                    .judged(crowd.nearest() >= wanted - 1e-9 ? Verdict.HOLDS : Verdict.WATCH));
        }
        return out;
    }

    @Override
    public List<KitItem> kit(Case c) {
        return List.of(new KitItem("feet", crowd(c).performance().size()));
    }
}
