package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// Which cautions a plan triggers. They follow from facts and plates alone and cannot be switched off. Source: the handbook's table of
/// cautions.
final class Cautions {
    private final Map<CautionKind, Set<String>> found = new LinkedHashMap<>();

    private Cautions() {}

    static List<BreakdownPlan.Caution> of(Shot shot, List<PlateNeed> needs) {
        Cautions c = new Cautions();
        for (Illusion w : shot.illusions()) {
            c.illusion(w, Answers.of(w, shot.setting()));
        }
        needs.forEach(c::plate);
        if (!needs.isEmpty()) {
            c.setting(Answers.of(shot.setting()));
        }
        return c.found.entrySet().stream().map(e -> new BreakdownPlan.Caution(e.getKey(), List.copyOf(e.getValue()))).toList();
    }

    private void add(boolean when, CautionKind kind, Illusion w) {
        if (when) {
            found.computeIfAbsent(kind, k -> new LinkedHashSet<>()).add(w.id());
        }
    }

    private void illusion(Illusion w, Answers t) {
        boolean person = t.is(Answer.Who.PERSON, Answer.Who.CHILD) && Case.takesWho(w.kind());
        boolean held = w.kind() == IllusionKind.FLOATS && person;
        add(held && t.choices(Answer.Support.class).stream().anyMatch(s -> s != Answer.Support.HARNESS && s != Answer.Support.NONE),
                CautionKind.HEIGHT, w);
        add(held && t.is(Answer.Support.HARNESS), CautionKind.SUSPENDED, w);
        add(t.is(Answer.Event.FLASH) && w.kind() == IllusionKind.BECOMES || w.kind() == IllusionKind.ENERGY
                && t.is(Answer.Energy.FLASHES), CautionKind.FLASHING, w);
        // What is drawn, or was recorded by others, harms nobody here.
        boolean filmed = t.is(Answer.Element.FILMED);
        boolean poured = filmed && w.kind() == IllusionKind.WIPED;
        add(poured && t.is(Answer.Material.POWDER), CautionKind.POWDER, w);
        add(poured && t.is(Answer.Material.PAPER, Answer.Material.LEAVES, Answer.Material.SAND), CautionKind.BLOWN, w);
        add(poured && t.is(Answer.Material.WATER), CautionKind.WATER, w);
        add(filmed && (w.kind() == IllusionKind.ENERGY && t.is(Answer.Energy.FIRE, Answer.Energy.SMOKE, Answer.Energy.SPARKS)
                || w.kind() == IllusionKind.BECOMES && t.is(Answer.Event.SMOKE)), CautionKind.SMOKE, w);
        add(w.kind() == IllusionKind.HIDDEN && t.is(Answer.HiddenAs.GONE) && t.is(Answer.By.SUIT, Answer.By.HOOD)
                || w.kind() == IllusionKind.MOVED && t.is(Answer.Operator.SUIT)
                || w.kind() == IllusionKind.MOVED && t.is(Answer.Operator.PUPPETEER) || t.is(Answer.Costume.HOOD, Answer.Costume.INFLATED),
                CautionKind.HOOD, w);
        add(t.is(Answer.Motion.THROWN), CautionKind.THROWN, w);
        add(w.kind() == IllusionKind.WRITTEN && t.is(Answer.WrittenOn.GLASS) || w.kind() == IllusionKind.THROUGH_FRAME
                && t.is(Answer.FrameKind.MIRROR), CautionKind.GLASS, w);
        add(w.kind() == IllusionKind.WRITTEN && t.is(Answer.WrittenOn.GLASS) && t.yes(Fact.HIGH), CautionKind.OUTSIDE, w);
        boolean lines = w.kind() == IllusionKind.FLOATS && t.is(Answer.Support.LINE) && !person || w.kind() == IllusionKind.MOVED
                && t.is(Answer.Operator.LINE);
        add(lines, CautionKind.LINE, w);
        add(t.is(Answer.Who.CHILD, Answer.Who.ANIMAL) && Case.takesWho(w.kind()), CautionKind.CHILDREN, w);
        add(w.kind() == IllusionKind.THROUGH_FRAME && person && t.number(Fact.SIZE_M) >= 1, CautionKind.OPENING, w);
    }

    private void plate(PlateNeed n) {
        List<CautionKind> kinds = new ArrayList<>();
        if (n.screen() == Screen.GREEN || n.screen() == Screen.BLUE || n.screen() == Screen.BLACK && n.role() == PlateRole.ON_BLACK) {
            kinds.add(CautionKind.STANDS);
        }
        if (n.role() == PlateRole.ATMOSPHERE) {
            kinds.add(n.reason() == Reason.SIZE_DUST ? CautionKind.POWDER : CautionKind.SMOKE);
        }
        if (n.in().contains(Item.support("overhead")) || n.role() == PlateRole.TRANSITION) {
            kinds.add(CautionKind.OVERHEAD);
        }
        kinds.forEach(c -> found.computeIfAbsent(c, k -> new LinkedHashSet<>()).addAll(n.illusions()));
    }

    private void setting(Answers t) {
        List<CautionKind> kinds = new ArrayList<>();
        if (t.is(Answer.Light.LAMPS)) {
            kinds.add(CautionKind.LAMPS);
        }
        if (t.is(Answer.Light.LAMPS) && t.yes(Fact.HOT_LAMPS)) {
            kinds.add(CautionKind.HOT);
        }
        if (t.yes(Fact.WEAPON)) {
            kinds.add(CautionKind.WEAPON);
        }
        if (t.is(Answer.Camera.MOVING) && !t.is(Answer.Dolly.NO)) {
            kinds.add(CautionKind.DOLLY);
        }
        if (t.is(Answer.Light.SUN) || t.yes(Fact.PUBLIC)) {
            kinds.add(CautionKind.PUBLIC);
        }
        kinds.forEach(c -> found.computeIfAbsent(c, k -> new LinkedHashSet<>()));
    }
}
