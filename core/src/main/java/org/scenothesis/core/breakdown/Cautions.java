package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
        boolean person = t.is(Fact.WHO, "person", "child") && Case.takesWho(w.kind());
        boolean held = w.kind() == IllusionKind.FLOATS && person;
        add(held && t.answers(Fact.SUPPORT).stream().anyMatch(s -> !s.equals("harness") && !s.equals("none")), "height", w);
        add(held && t.is(Fact.SUPPORT, "harness"), "suspended", w);
        add(t.is(Fact.EVENT, "flash") && w.kind() == IllusionKind.BECOMES || w.kind() == IllusionKind.ENERGY
                && t.is(Fact.ENERGY, "flashes"), "flashing", w);
        // What is drawn, or was recorded by others, harms nobody here.
        boolean filmed = t.is(Fact.ELEMENT, "filmed");
        boolean poured = filmed && w.kind() == IllusionKind.WIPED;
        add(poured && t.is(Fact.MATERIAL, "powder"), "powder", w);
        add(poured && t.is(Fact.MATERIAL, "paper", "leaves", "sand"), "blown", w);
        add(poured && t.is(Fact.MATERIAL, "water"), "water", w);
        add(filmed && (w.kind() == IllusionKind.ENERGY && t.is(Fact.ENERGY, "fire", "smoke", "sparks") || w.kind() == IllusionKind.BECOMES
                && t.is(Fact.EVENT, "smoke")), "smoke", w);
        add(w.kind() == IllusionKind.HIDDEN && t.is(Fact.HIDDEN_AS, "gone") && t.is(Fact.BY, "suit", "hood")
                || w.kind() == IllusionKind.MOVED && t.is(Fact.OPERATOR, "suit")
                || w.kind() == IllusionKind.MOVED && t.is(Fact.OPERATOR, "puppeteer") || t.is(Fact.COSTUME, "hood", "inflated"), "hood", w);
        add(t.is(Fact.MOTION, "thrown"), "thrown", w);
        add(w.kind() == IllusionKind.WRITTEN && t.is(Fact.WRITTEN_ON, "glass") || w.kind() == IllusionKind.THROUGH_FRAME
                && t.is(Fact.FRAME_KIND, "mirror"), "glass", w);
        add(w.kind() == IllusionKind.WRITTEN && t.is(Fact.WRITTEN_ON, "glass") && t.is(Fact.HIGH, "yes"), "outside", w);
        boolean lines = w.kind() == IllusionKind.FLOATS && t.is(Fact.SUPPORT, "line") && !person || w.kind() == IllusionKind.MOVED
                && t.is(Fact.OPERATOR, "line");
        add(lines, "line", w);
        add(t.is(Fact.WHO, "child", "animal") && Case.takesWho(w.kind()), "children", w);
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
        if (t.is(Fact.LIGHT, "lamps")) {
            codes.add("lamps");
        }
        if (t.is(Fact.LIGHT, "lamps") && t.is(Fact.HOT_LAMPS, "yes")) {
            codes.add("hot");
        }
        if (t.is(Fact.WEAPON, "yes")) {
            codes.add("weapon");
        }
        if (t.is(Fact.CAMERA, "moving") && !t.is(Fact.DOLLY, "no")) {
            codes.add("dolly");
        }
        if (t.is(Fact.LIGHT, "sun") || t.is(Fact.PUBLIC, "yes")) {
            codes.add("public");
        }
        codes.forEach(c -> found.computeIfAbsent(c, k -> new LinkedHashSet<>()));
    }
}
