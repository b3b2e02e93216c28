package org.scenothesis.core.breakdown.base;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// A picture that exists already: it is judged, extended, patched and allowed, and nothing of its place is filmed; all performances share
/// one screen set-up.
record ExistingPicture() implements FromElsewhere {
    private static final PlateKey KEY = PlateKey.only(PlateKey.Kind.BASE);

    @Override
    public Map<PlateKey, PlateNeed> plates(Shot shot, HouseRules rules, Map<PlateKey, PlateNeed> needs) {
        if (needs.isEmpty()) {
            return needs;
        }
        ScreenSetUp cloth = new ScreenSetUp(shot, rules);
        Answers told = Answers.of(shot.setting());
        Map<PlateKey, PlateNeed> out = new LinkedHashMap<>();
        // Whoever is put into another place has the picture for it already.
        PlateNeed there = needs.values().stream().filter(n -> !n.filmed() && elsewhere(shot, n)).findFirst().orElseGet(() -> picture(shot));
        out.put(there.key(), judged(there, told, needs));
        needs.forEach((key, n) -> {
            if (!key.equals(there.key()) && !ofThePlace(n)) {
                out.put(key, cloth.performed(n) ? cloth.before(n) : n);
            }
        });
        return out;
    }

    private static boolean elsewhere(Shot shot, PlateNeed n) {
        return shot.illusions().stream().anyMatch(w -> w.kind() == IllusionKind.ELSEWHERE && n.illusions().contains(w.id()));
    }

    private static PlateNeed picture(Shot shot) {
        Set<String> all = new TreeSet<>(shot.illusions().stream().map(w -> w.id()).toList());
        return new PlateNeed(
                KEY, PlateRole.BACKGROUND, Reason.BASE_EXISTING, List.of(), null, "", all, Set.of(), Set.of(), Screen.NONE, Region.NONE,
                "W", "",
                PlateNeed.Length.STILL, PlateNeed.Notes.NONE, Set.of(), false);
    }

    /// What must be noted of it: who is in it already, what of it lies in front, and the corners of a frame in it.
    private static PlateNeed judged(PlateNeed n, Answers told, Map<PlateKey, PlateNeed> needs) {
        PlateNeed out = n;
        String who = told.answer(Fact.IN_IT).strip();
        if (!who.isEmpty()) {
            out = out.with(Item.person(who)).recording(told.is(Answer.InItBy.COVERED) ? "cover" : "avoid");
        }
        out = needs.values().stream().anyMatch(x -> x.role() == PlateRole.FOREGROUND) ? out.recording("in.front") : out;
        return needs.values().stream().anyMatch(x -> x.role() == PlateRole.FRAME_INSERT) ? out.recording("corners") : out;
    }

    /// What could only be filmed where the picture was made.
    private static boolean ofThePlace(PlateNeed n) {
        boolean home = n.lockGroup().equals(Case.HOME);
        return n.reason() == Reason.SIZE_HEADROOM || home && switch (n.role()) {
            case CLEAN, LIGHT_PASS, ATMOSPHERE, FOREGROUND, FRAME_INSERT, REFERENCE -> true;
            case PRACTICAL, ELEMENT, SCREEN_ONLY, ON_SCREEN, PARTIAL_BODY, ON_BLACK, ON_WHITE, TRANSITION, SURFACE_TITLE, STILLS,
                    BACKGROUND, UNSORTED -> false;
        };
    }

    @Override
    public List<Conflict> conflicts(Shot shot, HouseRules rules, Map<PlateKey, PlateNeed> asked) {
        Answers told = Answers.of(shot.setting());
        List<Conflict> out = new ArrayList<>();
        // Whoever is put into another place is told so by that illusion.
        if (shot.illusions().stream().noneMatch(w -> w.kind() == IllusionKind.ELSEWHERE)) {
            Answer.BaseCamera move = told.choice(Answer.BaseCamera.class);
            if (move == Answer.BaseCamera.PARALLAX || move != Answer.BaseCamera.STILL
                    && rules.follows(Approach.MOVING_BACKGROUND, "refuse")) {
                out.add(Conflict.redo(ConflictKind.BASE_PARALLAX, "", ""));
            } else if (move != Answer.BaseCamera.STILL) {
                out.add(Conflict.watch(ConflictKind.BASE_MOVE, "", ""));
            }
            if (!told.yes(Fact.BASE_EMPTY)) {
                out.add(Conflict.watch(ConflictKind.BASE_FULL, "", ""));
            }
        }
        if (asked.values().stream().anyMatch(n -> n.role() == PlateRole.LIGHT_PASS && n.lockGroup().equals(Case.HOME))) {
            out.add(Conflict.watch(ConflictKind.BASE_LIGHT, "", ""));
        }
        return out;
    }
}
