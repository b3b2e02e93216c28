package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Because;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Crowd;
import org.scenothesis.core.breakdown.number.CrowdTable;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Two or more of the same: one take per unique figure, each filmed where it will stand, focus held at the front row, repeats never side by
/// side.
///
/// When another illusion happens to the same person (it is also small, or floats), the last figure is filmed by that illusion's plate.
final class CopiesRule implements IllusionRule {
    private static final int FEW = 3;
    /// From here on it is a crowd with a table of its own.
    private static final int CROWD = 4;
    private static final int A_DAY = 12;

    @Override
    public IllusionKind kind() {
        return IllusionKind.COPIES;
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
            q.addAll(Question.about(Fact.ROWS, Fact.DIRECTIONS, Fact.APART_SHARE));
        }
        if (!c.is(Answer.Touch.APART)) {
            q.addAll(Question.about(Fact.SIZE_M, Fact.TRAVEL_M));
        }
        return q;
    }

    private static String among(Case c) {
        return c.subject() + " among the others";
    }

    @Override
    public List<Demand> demands(Case c) {
        return List.of(switch (c.choice(Answer.Touch.class)) {
            case APART -> new Demand(among(c), List.of(Way.MASK, Way.KEY, Way.ROTO), Because.APART, Demand.Apart.NO);
            case OVERLAP -> new Demand(among(c), List.of(Way.KEY, Way.ROTO), Because.OVERLAP, Demand.Apart.NO);
            case TOUCH -> new Demand(among(c), List.of(Way.KEY, Way.ROTO), Because.TOUCH, Demand.Apart.NO);
        });
    }

    /// Whether every figure is performed: where the house wants it and a day allows it, and always for a few.
    private static boolean every(Case c) {
        double count = c.number(Fact.COUNT);
        return count <= FEW || count <= A_DAY && c.rules().follows(Approach.COPIES, "every");
    }

    /// The crowd as every direction of the camera sees it.
    private static List<Crowd> crowds(Case c) {
        return places(c).stream().map(p -> every(c) ? Crowd.spread(p, p.size()) : Crowd.fewest(p, c.number(Fact.APART_SHARE) / 100))
                .toList();
    }

    private static List<List<Point>> places(Case c) {
        int count = (int) c.number(Fact.COUNT);
        int directions = Math.min(count, every(c) ? 1 : (int) c.number(Fact.DIRECTIONS));
        return IntStream.range(0, directions)
                .mapToObj(d -> Crowd.places(count * (d + 1) / directions - count * d / directions, (int) c.number(Fact.ROWS))).toList();
    }

    @Override
    public Optional<CrowdTable> crowd(Case c) {
        List<List<Point>> places = places(c);
        return c.number(Fact.COUNT) < CROWD ? Optional.empty()
                : Optional.of(CrowdTable.of(c.subject(), crowds(c), places, places.stream().map(p -> (int) c.number(Fact.ROWS)).toList()));
    }

    private static int performances(Case c) {
        return crowds(c).stream().mapToInt(Crowd::uniques).sum();
    }

    /// The camera's group in a direction: it is turned on its stand, so its frames do not lie on one another.
    private static String direction(int d) {
        return d == 1 ? Case.HOME : Case.HOME + d;
    }

    private static Optional<PlateKey> other(Case c) {
        return c.shot().illusions().stream()
                .filter(w -> w.kind() != IllusionKind.COPIES && c.id(w.subject()).equals(c.id(c.subject())) && c.treatments()
                .containsKey(c.id(w.subject())))
                .findFirst().map(w -> c.elementKey(w.subject()));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        List<PlateNeed> needs = new ArrayList<>();
        needs.add(c.clean(Reason.CLEAN_COPIES, c.gone()));
        List<Crowd> crowds = crowds(c);
        for (int d = 2; d <= crowds.size(); d++) {
            needs.add(needs.getFirst().as(PlateKey.clean(direction(d)), PlateRole.CLEAN, Reason.CLEAN_DIRECTION)
                    .inGroups(direction(d), Case.HOME));
        }
        List<String> groups = IntStream.range(0, crowds.size()).boxed()
                .flatMap(d -> Collections.nCopies(crowds.get(d).uniques(), direction(d + 1)).stream()).toList();
        int filmed = groups.size() - (other(c).isPresent() ? 1 : 0);
        var t = c.treatment(among(c));
        for (int i = 1; i <= filmed; i++) {
            PlateNeed n = c.figure(c.subject(), i, i == 1 ? Reason.COPIES_FIRST : Reason.COPIES_NEXT).lasting(c.roll(), c.takes())
                    .focusedOn("front.row").positions("own.place", "feet");
            if (c.yes(Fact.LOOKS)) {
                n = n.looking(Eyeline.of(c.subject(), c.subject(), c.illusion().fromSeconds(), c.number(Fact.EYES_M),
                        c.number(Fact.EYES_M), c.number(Fact.DISTANCE_M)));
            }
            // The rearmost figure may stand before the real background; those that cross it need the cloth. Where there is none, the base
            // says so.
            PlateNeed figure = t.way().cloth() && i > 1 && t.lock().equals(Case.HOME) ? screened(n, c, t.cloth()) : n;
            needs.add(groups.get(i - 1).equals(Case.HOME) ? figure : figure.withLockGroup(groups.get(i - 1)));
        }
        return needs;
    }

    private static PlateNeed screened(PlateNeed n, Case c, Screen cloth) {
        var t = c.treatment(among(c));
        return n.as(n.key(), PlateRole.ON_SCREEN, Reason.COPIES_SCREENED).on(cloth, c.region()).inGroups(t.lock(), t.light());
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        List<Conflict> out = new ArrayList<>();
        if (c.is(Answer.Touch.TOUCH)) {
            out.add(Conflict.watch(ConflictKind.COPIES_TOUCH, c.illusion().id(), c.subject()));
        }
        if (c.is(Answer.Camera.MOVING)) {
            out.add(Conflict.redo(ConflictKind.COPIES_MOVING, c.illusion().id(), c.subject()));
        }
        return out;
    }

    @Override
    public List<Figure> figures(Case c) {
        int count = (int) c.number(Fact.COUNT);
        if (count < CROWD) {
            return List.of();
        }
        List<Figure> out = new ArrayList<>();
        out.add(Figure.tells(FigureKind.CROWD_UNIQUES, c.subject(), performances(c), "", (double) count));
        double nearest = crowds(c).stream().mapToDouble(Crowd::nearest).min().orElse(Double.POSITIVE_INFINITY);
        if (Double.isFinite(nearest)) {
            double wanted = c.number(Fact.APART_SHARE) / 100;
            out.add(Figure.tells(FigureKind.CROWD_NEAREST, c.subject(), 100 * nearest, "%", 100 * wanted)
                    .judged(nearest >= wanted - 1e-9 ? Verdict.HOLDS : Verdict.WATCH));
        }
        return out;
    }

    @Override
    public List<KitItem> kit(Case c) {
        return List.of(new KitItem("feet", performances(c)));
    }
}
