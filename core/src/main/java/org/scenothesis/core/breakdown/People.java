package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;

/// One person, one plate: halves replace the whole, those who act and are a subject of their own do so in their own plate, a costume is
/// worn in all plates of its wearer.
///
/// Source: handbook, *Facts that decide more than the wonder itself*, people as a list.
record People(Shot shot) {
    /// The plates of all illusions, by their keys, with every person once.
    Map<PlateKey, PlateNeed> once(Map<PlateKey, PlateNeed> asked) {
        Map<PlateKey, PlateNeed> out = new LinkedHashMap<>(asked);
        asked.keySet().stream().filter(k -> k.kind() == PlateKey.Kind.HALF_UPPER).forEach(k -> halved(out, k.of()));
        performing(out);
        out.replaceAll((key, n) -> dressed(n));
        return out;
    }

    /// The whole body is not filmed where its halves are.
    private static void halved(Map<PlateKey, PlateNeed> needs, String id) {
        PlateNeed whole = needs.remove(PlateKey.thing(id));
        if (whole != null) {
            for (PlateKey half : List.of(new PlateKey(PlateKey.Kind.HALF_UPPER, id), new PlateKey(PlateKey.Kind.HALF_LOWER, id))) {
                needs.computeIfPresent(half, (k, n) -> n.merged(whole.withKey(k).withRegion(n.region()).withIn(Set.of())));
                renamed(needs, whole.key(), half);
            }
        }
    }

    /// Whoever acts in the shot and is filmed as a subject of it does both at once, unless they meet themselves or it happens at another
    /// time in other clothes.
    private void performing(Map<PlateKey, PlateNeed> needs) {
        PlateNeed acting = needs.get(PlateKey.ACTING);
        if (acting == null) {
            return;
        }
        PlateNeed left = acting;
        for (Item who : acting.in().stream().filter(i -> i.sort() == Item.Sort.PERSON).toList()) {
            String id = Subjects.id(shot, who.name());
            Optional<PlateNeed> own = own(needs, id).filter(n -> !meetsItself(acting, id)
                    && (n.in().stream().noneMatch(i -> i.sort() == Item.Sort.WEAR) || overlap(n, acting)));
            if (own.isPresent()) {
                PlateNeed mine = own.get();
                needs.put(mine.key(), mine.merged(looking(acting, who.name()).withKey(mine.key()).withRegion(mine.region())
                        .withIn(things(acting))));
                left = left.withIn(less(left.in(), who));
            }
        }
        boolean nobody = left.in().stream().noneMatch(i -> i.sort() == Item.Sort.PERSON) && !left.in().equals(acting.in());
        if (nobody) {
            needs.remove(PlateKey.ACTING);
            acting.in().stream().filter(i -> i.sort() == Item.Sort.PERSON).findFirst()
                    .flatMap(who -> own(needs, Subjects.id(shot, who.name()))).ifPresent(own -> renamed(needs, PlateKey.ACTING, own.key()));
        } else {
            needs.put(PlateKey.ACTING, left);
        }
    }

    private static Set<Item> things(PlateNeed n) {
        return n.in().stream().filter(i -> i.sort() != Item.Sort.PERSON).collect(Collectors.toSet());
    }

    private static Set<Item> less(Set<Item> of, Item gone) {
        Set<Item> out = new TreeSet<>(of);
        out.remove(gone);
        return out;
    }

    private static Optional<PlateNeed> own(Map<PlateKey, PlateNeed> needs, String id) {
        return List.of(PlateKey.thing(id), new PlateKey(PlateKey.Kind.HALF_UPPER, id)).stream().map(needs::get)
                .filter(n -> n != null && n.filmed()).findFirst();
    }

    /// Whether somebody is told to act in what happens to themselves.
    private boolean meetsItself(PlateNeed acting, String id) {
        return illusions(acting).stream().filter(w -> Subjects.id(shot, w.subject()).equals(id))
                .anyMatch(w -> Case.named(Answers.of(w, shot.setting()).answer(Fact.ACTOR)).stream()
                .anyMatch(a -> Subjects.id(shot, a).equals(id)));
    }

    private List<Illusion> illusions(PlateNeed n) {
        return shot.illusions().stream().filter(w -> n.illusions().contains(w.id())).toList();
    }

    private boolean overlap(PlateNeed a, PlateNeed b) {
        return illusions(a).stream().anyMatch(x -> illusions(b).stream().anyMatch(y -> x.fromSeconds() < y.toSeconds()
                && y.fromSeconds() < x.toSeconds()));
    }

    /// Where one of those who act has to look.
    private static PlateNeed looking(PlateNeed acting, String who) {
        List<Eyeline> lines = new ArrayList<>();
        acting.notes().eyelines().stream().filter(e -> !e.at().equals(who))
                .forEach(e -> lines.add(new Eyeline(who, e.at(), e.seconds(), e.heightM(), e.upDeg(), e.distanceM())));
        return acting.withNotes(acting.notes().withEyelines(lines));
    }

    /// What had to follow a plate that is another now follows that.
    private static void renamed(Map<PlateKey, PlateNeed> needs, PlateKey was, PlateKey is) {
        needs.replaceAll((key, n) -> n.after().contains(was) && !key.equals(is) ? n.following(is) : n);
    }

    private PlateNeed dressed(PlateNeed n) {
        if (!n.notes().clothes().isEmpty()) {
            return n;
        }
        for (Illusion w : shot.illusions()) {
            Answers t = Answers.of(w, shot.setting());
            boolean inIt = n.in().stream().anyMatch(i -> i.sort() == Item.Sort.PERSON && !i.coded()
                    && Subjects.same(shot, i.name(), w.subject()));
            if (inIt && !t.is(Answer.Costume.PLAIN)) {
                return n.wearing(t.answer(Fact.COSTUME));
            }
        }
        return n;
    }
}
