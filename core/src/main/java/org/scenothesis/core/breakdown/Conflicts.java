package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.ClothChoice;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.ClothGeometry;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;

/// Conflicts that concern the whole shot: cloths and colours, cloth and movement, overrides, a camera that moves over plates that lie on
/// each other.
final class Conflicts {
    private Conflicts() {}

    static List<Conflict> of(Shot shot, HouseRules rules, Map<String, Treatment> treatments, List<PlateNeed> needs) {
        List<Conflict> out = new ArrayList<>();
        for (Illusion w : shot.illusions()) {
            // What happens at a time of its own may have a treatment of its own.
            String id = Subjects.id(shot, w.subject());
            Treatment t = treatments.values().stream().filter(x -> x.illusions().contains(w.id()) && x.key().startsWith(id + "-"))
                    .findFirst().orElse(treatments.get(id));
            if (t != null) {
                things(w, Answers.of(w, shot.setting()), t, rules, out);
            }
        }
        Answers told = Answers.of(shot.setting());
        needs.stream().filter(n -> !n.about().isEmpty()).filter(onePerRegion()).forEach(n -> cloth(n, told, out));
        boolean overlaid = needs.stream().anyMatch(n -> n.key().equals(PlateKey.CLEAN));
        if (told.is(Answer.Camera.MOVING) && overlaid) {
            out.add(Conflict.redo(ConflictKind.CAMERA_MOVES, "", ""));
        }
        if (told.is(Answer.Background.MOVES) && treatments.values().stream().anyMatch(t -> t.way() == Way.MASK)) {
            out.add(Conflict.watch(ConflictKind.BACKGROUND_MASKED, "", ""));
        }
        return out.stream().distinct().toList();
    }

    private static void things(Illusion w, Answers told, Treatment t, HouseRules rules, List<Conflict> out) {
        if (t.disagree()) {
            out.add(Conflict.watch(ConflictKind.WAYS_DISAGREE, w.id(), t.thing()));
        }
        boolean fine = !told.is(Answer.Edge.CLEAN);
        boolean moves = !told.is(Answer.Motion.STILL);
        if (t.overridden() && t.way() == Way.MASK && (fine || moves)) {
            out.add(Conflict.redo(ConflictKind.MASK_FORCED, w.id(), t.thing()));
        }
        boolean worn = t.way() == Way.SUIT;
        if (!t.way().cloth() && !worn) {
            return;
        }
        // A garment in the screen colour has the conflicts of a cloth, and a stock of its own.
        Answer.Cloths stock = worn ? told.choice(Answer.Suits.class).cloths() : told.choice(Answer.Cloths.class);
        if (stock == Answer.Cloths.NONE) {
            out.add(Conflict.redo(worn ? ConflictKind.SUIT_NONE : ConflictKind.CLOTH_NONE, w.id(), t.thing()));
        }
        ClothChoice c = ClothChoice.of(told, rules, stock);
        if (c.verdict() != Verdict.HOLDS) {
            boolean otherIsBetter = c.cloth() == Screen.GREEN ? c.blueApart() > c.greenApart() : c.greenApart() > c.blueApart();
            ConflictKind colour = told.yes(Fact.FOLIAGE) && c.cloth() == Screen.GREEN
                    ? worn ? ConflictKind.SUIT_LEAVES : ConflictKind.CLOTH_LEAVES
                    : otherIsBetter ? worn ? ConflictKind.SUIT_COLOUR_OTHER : ConflictKind.CLOTH_COLOUR_OTHER
                            : worn ? ConflictKind.SUIT_COLOUR_BOTH : ConflictKind.CLOTH_COLOUR_BOTH;
            out.add(c.verdict() == Verdict.REDO ? Conflict.redo(colour, w.id(), t.thing(), c.apart())
                    : Conflict.watch(colour, w.id(), t.thing(), c.apart()));
        }
        if (!worn && told.is(Answer.Edge.GLASS)) {
            out.add(Conflict.watch(ConflictKind.EDGE_GLASS, w.id(), t.thing()));
        }
    }

    /// Plates that ask for the same cloth are told of once.
    static Predicate<PlateNeed> onePerRegion() {
        Set<Region> told = new HashSet<>();
        return n -> told.add(n.region());
    }

    private static void cloth(PlateNeed n, Answers told, List<Conflict> out) {
        if (n.screen() != Screen.GREEN && n.screen() != Screen.BLUE || told.is(Answer.Cloths.NONE)) {
            return;
        }
        double wide = told.number(Fact.CLOTH_WIDE_M);
        double high = told.number(Fact.CLOTH_HIGH_M);
        if (n.region().clothWideM() > wide + 1e-6 || n.region().clothHighM() > high + 1e-6) {
            Region.Sweep s = n.region().sweep();
            double gap = s.awayM() * ((wide - 2 * ClothGeometry.MARGIN_M) / s.wideM() - 1);
            if (gap >= 0) {
                // Where no gap makes it wide enough, that is said instead.
                out.add(Conflict.watch(ConflictKind.CLOTH_SMALL, "", n.about(), n.region().clothWideM(), n.region().clothHighM(), wide,
                        high,
                        Math.min(s.behindM(), gap)));
            }
        }
    }
}
