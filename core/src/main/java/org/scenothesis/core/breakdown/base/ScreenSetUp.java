package org.scenothesis.core.breakdown.base;

import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.ClothChoice;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// The one place before a cloth where all performances for a base from elsewhere are filmed, with one lens height and distance.
record ScreenSetUp(Shot shot, HouseRules rules) {
    /// Its lock and light group.
    static final String GROUP = "S";
    static final Illusion NOBODY = new Illusion("", IllusionKind.FLOATS, "", 0, 0, Map.of());

    /// Nothing is filmed in the real place, so nothing can be masked there; light of its own is the set-up's. A camera of its own stays:
    /// what is seen at another size stands elsewhere.
    static Demand demand(Demand d) {
        List<Way> ways = d.ways().stream().filter(w -> w != Way.MASK).toList();
        return new Demand(d.thing(), ways.isEmpty() ? List.of(Way.KEY) : ways, d.because(), d.apart() == Demand.Apart.LIGHT
                ? Demand.Apart.NO : d.apart());
    }

    /// Whether somebody or something is filmed in it that would else be in the shot's own frame.
    boolean performed(PlateNeed n) {
        return switch (n.role()) {
            case PRACTICAL, STILLS -> n.filmed();
            case ELEMENT, ON_SCREEN, PARTIAL_BODY -> n.lockGroup().equals(Case.HOME) || n.lockGroup().equals(GROUP);
            case CLEAN, SCREEN_ONLY, LIGHT_PASS, REFERENCE, FOREGROUND, ON_BLACK, ON_WHITE, ATMOSPHERE, TRANSITION, FRAME_INSERT,
                    SURFACE_TITLE, BACKGROUND, UNSORTED -> false;
        };
    }

    /// The plate before the cloth.
    PlateNeed before(PlateNeed n) {
        // A background may be long; what is performed before the cloth lasts as long as its action.
        double action = shot.illusions().stream().filter(w -> n.illusions().contains(w.id()))
                .mapToDouble(w -> w.toSeconds() - w.fromSeconds()).max().orElse(0) + 2 * Case.HANDLES_S;
        PlateNeed own = n.role() == PlateRole.PRACTICAL ? n.as(n.key(), PlateRole.ON_SCREEN, Reason.BASE_PERFORMS)
                .lasting(Math.min(n.rollSeconds(), action), n.length().takes()) : n;
        PlateNeed here = own.lockGroup().equals(Case.HOME) ? own.inGroups(GROUP, light()) : own.lightGroup().equals(GROUP)
                ? own.withLightGroup(light()) : own;
        return here.screen() == Screen.NONE ? here.on(ClothChoice.of(told(n), rules).cloth(), region(n)) : here;
    }

    /// One light for all shots of the same borrowed scene.
    private String light() {
        String scene = Answers.of(shot.setting()).answer(Fact.SCENE).strip();
        return scene.isEmpty() ? GROUP : PlateNeed.SCENE + Ids.slug(scene);
    }

    private Illusion illusion(PlateNeed n) {
        return shot.illusions().stream().filter(w -> n.illusions().contains(w.id())).findFirst().orElse(NOBODY);
    }

    private Answers told(PlateNeed n) {
        return Answers.of(illusion(n), shot.setting());
    }

    private Region region(PlateNeed n) {
        Case c = new Case(illusion(n), shot, rules, Map.of());
        boolean acts = n.role() == PlateRole.PRACTICAL && !c.person();
        return (acts ? c.acted() : c).region();
    }
}
