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
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// Which cautions a plan triggers. They follow from facts and plates alone and cannot be switched off. Source: the handbook's table of
/// cautions.
final class Cautions {
    private final Map<String, Set<String>> found = new LinkedHashMap<>();

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

    private void add(boolean when, String code, Illusion w) {
        if (when) {
            found.computeIfAbsent(code, k -> new LinkedHashSet<>()).add(w.id());
        }
    }

    private void illusion(Illusion w, Answers t) {
        boolean person = t.is(Answer.Who.PERSON, Answer.Who.CHILD) && Case.takesWho(w.kind());
        boolean held = w.kind() == IllusionKind.FLOATS && person;
        add(held && t.choices(Answer.Support.class).stream().anyMatch(s -> s != Answer.Support.HARNESS && s != Answer.Support.NONE),
                "height", w);
        add(held && t.is(Answer.Support.HARNESS), "suspended", w);
        add(t.is(Answer.Event.FLASH) && w.kind() == IllusionKind.BECOMES || w.kind() == IllusionKind.ENERGY
                && t.is(Answer.Energy.FLASHES), "flashing", w);
        // What is drawn, or was recorded by others, harms nobody here.
        boolean filmed = t.is(Answer.Element.FILMED);
        boolean poured = filmed && w.kind() == IllusionKind.WIPED;
        add(poured && t.is(Answer.Material.POWDER), "powder", w);
        add(poured && t.is(Answer.Material.PAPER, Answer.Material.LEAVES, Answer.Material.SAND), "blown", w);
        add(poured && t.is(Answer.Material.WATER), "water", w);
        add(filmed && (w.kind() == IllusionKind.ENERGY && t.is(Answer.Energy.FIRE, Answer.Energy.SMOKE, Answer.Energy.SPARKS)
                || w.kind() == IllusionKind.BECOMES && t.is(Answer.Event.SMOKE)), "smoke", w);
        add(w.kind() == IllusionKind.HIDDEN && t.is(Answer.HiddenAs.GONE) && t.is(Answer.By.SUIT, Answer.By.HOOD)
                || w.kind() == IllusionKind.MOVED && t.is(Answer.Operator.SUIT)
                || w.kind() == IllusionKind.MOVED && t.is(Answer.Operator.PUPPETEER) || t.is(Answer.Costume.HOOD, Answer.Costume.INFLATED),
                "hood", w);
        add(t.is(Answer.Motion.THROWN), "thrown", w);
        add(w.kind() == IllusionKind.WRITTEN && t.is(Answer.WrittenOn.GLASS) || w.kind() == IllusionKind.THROUGH_FRAME
                && t.is(Answer.FrameKind.MIRROR), "glass", w);
        add(w.kind() == IllusionKind.WRITTEN && t.is(Answer.WrittenOn.GLASS) && t.yes(Fact.HIGH), "outside", w);
        boolean lines = w.kind() == IllusionKind.FLOATS && t.is(Answer.Support.LINE) && !person || w.kind() == IllusionKind.MOVED
                && t.is(Answer.Operator.LINE);
        add(lines, "line", w);
        add(t.is(Answer.Who.CHILD, Answer.Who.ANIMAL) && Case.takesWho(w.kind()), "children", w);
        add(w.kind() == IllusionKind.THROUGH_FRAME && person && t.number(Fact.SIZE_M) >= 1, "opening", w);
    }

    private void plate(PlateNeed n) {
        List<String> codes = new ArrayList<>();
        if (n.screen() == Screen.GREEN || n.screen() == Screen.BLUE || n.screen() == Screen.BLACK && n.role() == PlateRole.ON_BLACK) {
            codes.add("stands");
        }
        if (n.role() == PlateRole.ATMOSPHERE) {
            codes.add(n.code().equals("size.dust") ? "powder" : "smoke");
        }
        if (n.in().contains(Item.support("overhead")) || n.role() == PlateRole.TRANSITION) {
            codes.add("overhead");
        }
        codes.forEach(c -> found.computeIfAbsent(c, k -> new LinkedHashSet<>()).addAll(n.illusions()));
    }

    private void setting(Answers t) {
        List<String> codes = new ArrayList<>();
        if (t.is(Answer.Light.LAMPS)) {
            codes.add("lamps");
        }
        if (t.is(Answer.Light.LAMPS) && t.yes(Fact.HOT_LAMPS)) {
            codes.add("hot");
        }
        if (t.yes(Fact.WEAPON)) {
            codes.add("weapon");
        }
        if (t.is(Answer.Camera.MOVING) && !t.is(Answer.Dolly.NO)) {
            codes.add("dolly");
        }
        if (t.is(Answer.Light.SUN) || t.yes(Fact.PUBLIC)) {
            codes.add("public");
        }
        codes.forEach(c -> found.computeIfAbsent(c, k -> new LinkedHashSet<>()));
    }
}
