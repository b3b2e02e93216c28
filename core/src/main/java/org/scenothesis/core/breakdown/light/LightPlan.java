package org.scenothesis.core.breakdown.light;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.number.FigureKind;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// What the light facts of a shot ask for: lamps with their distances, flags, black against fill, the gap that keeps shadows off the cloth,
/// and the same side in every set-up.
///
/// Source: handbook, *Light facts* and *Two light zones*.
public record LightPlan(Shot shot, HouseRules rules, List<PlateNeed> needs) {
    /// Half a stop over the movement, and over the cloth.
    private static final double EVEN_STOPS = 0.5;
    private static final double LEAST_M = 1.5;
    /// Farther away no lamp that few people carry is bright enough.
    private static final double FARTHEST_M = 6;
    /// From here on what is not lit needs black beside it to stay dark.
    private static final double DEEP_STOPS = 2;

    public LightPlan {
        needs = List.copyOf(needs);
    }

    private Answers told() {
        return Answers.of(shot.setting());
    }

    private KeyFacts key() {
        return new KeyFacts(told());
    }

    private boolean lamps() {
        return told().is(Answer.Light.LAMPS);
    }

    private List<PlateNeed> keyed() {
        return needs.stream().filter(n -> (n.screen() == Screen.GREEN || n.screen() == Screen.BLUE) && n.region().sweep().awayM() > 0
                && n.role() != PlateRole.SCREEN_ONLY).toList();
    }

    /// The plates with what has to be minded of their light.
    public Map<PlateKey, PlateNeed> minded(Map<PlateKey, PlateNeed> plates) {
        plates.replaceAll((k, n) -> minded(n));
        return plates;
    }

    private PlateNeed minded(PlateNeed n) {
        boolean performed = switch (n.role()) {
            case PRACTICAL, ON_SCREEN, ELEMENT, PARTIAL_BODY -> n.filmed();
            case CLEAN, SCREEN_ONLY, LIGHT_PASS, REFERENCE, FOREGROUND, ON_BLACK, ON_WHITE, ATMOSPHERE, TRANSITION, FRAME_INSERT,
                    SURFACE_TITLE, STILLS, BACKGROUND, UNSORTED -> false;
        };
        if (!performed || !key().any()) {
            return n;
        }
        PlateNeed out = sided() ? n.recording("key." + told().answer(Fact.KEY_FROM)) : n;
        return told().yes(Fact.LAMPS_SEEN) && n.screen() != Screen.NONE ? out.recording("rim.lamp") : out;
    }

    /// The widest cloth that is hung.
    private Optional<Region> widest() {
        return keyed().stream().map(PlateNeed::region).max((a, b) -> Double.compare(a.clothWideM(), b.clothWideM()));
    }

    /// Lamps with where they stand, and the gaps.
    public List<Figure> figures() {
        List<Figure> out = new ArrayList<>();
        if (!key().any()) {
            return out;
        }
        double travel = keyed().stream().mapToDouble(n -> n.region().sweep().wideM()).max().orElse(0);
        if (lamps() && travel > 0) {
            // Only what goes towards the lamp and away from it changes its light.
            double along = Math.max(travel / 3, travel * Math.abs(Math.sin(Math.toRadians(key().fromLensDeg()))));
            double far = Math.clamp(Lamps.keyM(along, EVEN_STOPS), LEAST_M, FARTHEST_M);
            double stops = Lamps.changeStops(far, along);
            out.add(judged(Figure.tells(sided() ? key(told().choice(Answer.KeyFrom.class)) : FigureKind.LAMP_KEY_ASSUMED, "", far, "m",
                    key().upDeg(), 2 * far * Math.tan(Math.toRadians(key().sizeDeg() / 2)), stops),
                    stops <= EVEN_STOPS + 1e-9));
        }
        if (lamps()) {
            widest().ifPresent(r -> {
                boolean sides = !rules.follows(Approach.CLOTH_LIGHT, "above");
                out.add(Figure.tells(sides ? FigureKind.LAMP_CLOTH_SIDES : FigureKind.LAMP_CLOTH_ABOVE, "",
                        Lamps.clothM(r.clothWideM(), sides, EVEN_STOPS),
                        "m", r.clothWideM(), EVEN_STOPS));
            });
        }
        for (PlateNeed n : keyed()) {
            double gap = new ShadowGap(n.region().sweep(), key().fromLensDeg(), key().upDeg()).leastM();
            FigureKind kind = sided() ? FigureKind.GAP_SHADOW : FigureKind.GAP_SHADOW_ASSUMED;
            if (gap > 0 && out.stream().noneMatch(f -> f.kind() == kind && f.value() == gap) && Double.isFinite(gap)) {
                out.add(judged(Figure.tells(kind, n.about(), gap, "m", n.region().sweep().behindM()), gap <= n.region().sweep().behindM()
                        + 1e-9));
            }
        }
        return out;
    }

    private static FigureKind key(Answer.KeyFrom from) {
        return switch (from) {
            case LEFT -> FigureKind.LAMP_KEY_LEFT;
            case RIGHT -> FigureKind.LAMP_KEY_RIGHT;
            case FRONT -> FigureKind.LAMP_KEY_FRONT;
            case BEHIND -> FigureKind.LAMP_KEY_BEHIND;
            case ABOVE -> FigureKind.LAMP_KEY_ABOVE;
        };
    }

    /// Whether anybody told where the key stands; what follows from an assumed one is said and not judged.
    private boolean sided() {
        return told().given(Fact.KEY_FROM);
    }

    private Figure judged(Figure f, boolean holds) {
        return sided() ? f.judged(holds ? Verdict.HOLDS : Verdict.WATCH) : f;
    }

    /// What will be seen to be wrong.
    public List<Conflict> conflicts() {
        List<Conflict> out = new ArrayList<>();
        if (needs.isEmpty()) {
            return out;
        }
        boolean hung = !keyed().isEmpty();
        if (hung && key().any()
                && !Double.isFinite(keyed().stream().mapToDouble(n -> new ShadowGap(n.region().sweep(), key().fromLensDeg(), key().upDeg())
                .leastM()).max().orElse(0))) {
            out.add(Conflict.watch(ConflictKind.LIGHT_SHADOW, "", ""));
        }
        if (told().is(Answer.Shades.PATTERNED) && hung) {
            out.add(Conflict.watch(ConflictKind.LIGHT_PATTERNED, "", ""));
        }
        if (told().yes(Fact.MIXED)) {
            out.add(Conflict.watch(ConflictKind.LIGHT_MIXED, "", ""));
        }
        return out;
    }

    /// What has to be brought for it.
    public List<KitItem> kit() {
        List<KitItem> out = new ArrayList<>();
        boolean hung = !keyed().isEmpty();
        if (hung && (lamps() || told().is(Answer.Light.SUN))) {
            out.add(new KitItem("flags", 2));
        }
        if (lamps() && told().given(Fact.KEY_FILL) && told().number(Fact.KEY_FILL) >= DEEP_STOPS) {
            out.add(KitItem.one("negative.fill"));
        }
        if (hung && told().yes(Fact.LAMPS_SEEN)) {
            out.add(KitItem.one("lamp.rim"));
        }
        return out;
    }
}
