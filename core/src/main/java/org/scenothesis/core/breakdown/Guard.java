package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.PlateRole;

/// Against forgotten plates: the lit cloth alone for every set-up with a cloth, a card and a known length for every camera.
final class Guard {
    private Guard() {}

    static void add(HouseRules rules, Map<PlateKey, PlateNeed> needs) {
        for (PlateNeed n : List.copyOf(needs.values())) {
            if ((n.screen() == Screen.GREEN || n.screen() == Screen.BLUE) && n.role() != PlateRole.SURFACE_TITLE) {
                boolean board = n.role() == PlateRole.TRANSITION;
                PlateKey key = PlateKey.screen(n.lockGroup(), n.screen());
                Reason reason = rules.follows(Approach.WRINKLES, "defocus") ? Reason.SCREEN_DEFOCUS : Reason.SCREEN;
                PlateNeed bare = proposal(key, PlateRole.SCREEN_ONLY, reason, n).on(n.screen(), n.region())
                        .without(Item.coded("everyone", Item.Sort.CREW));
                needs.merge(key, board ? bare.recording("square") : bare, PlateNeed::merged);
            }
            if (measurable(n)) {
                PlateKey key = new PlateKey(PlateKey.Kind.REFERENCE, n.lockGroup());
                PlateNeed card = proposal(key, PlateRole.REFERENCE, n.lockGroup().equals(Case.HOME) ? Reason.REFERENCE
                        : Reason.REFERENCE_OWN, n)
                        .with(Item.coded("card", Item.Sort.CARD));
                needs.merge(key, card.recording(records(n)), PlateNeed::merged);
            }
        }
        roomTone(needs);
    }

    /// Room tone is recorded once on every day: with a clean plate where there is one, else with the first card.
    private static void roomTone(Map<PlateKey, PlateNeed> needs) {
        if (needs.values().stream().noneMatch(n -> n.notes().sound().contains("room"))) {
            needs.values().stream().filter(n -> n.role() == PlateRole.REFERENCE).findFirst()
                    .ifPresent(n -> needs.put(n.key(), n.hearing("room")));
        }
    }

    private static boolean measurable(PlateNeed n) {
        return n.filmed() && n.reason() != Reason.SIZE_HEADROOM && switch (n.role()) {
            case ON_BLACK, ON_WHITE, SURFACE_TITLE, TRANSITION, SCREEN_ONLY, LIGHT_PASS, ATMOSPHERE, REFERENCE -> false;
            case CLEAN, PRACTICAL, ELEMENT, ON_SCREEN, PARTIAL_BODY, FOREGROUND, FRAME_INSERT, STILLS, BACKGROUND, UNSORTED -> true;
        };
    }

    private static String[] records(PlateNeed n) {
        List<String> out = new ArrayList<>(List.of("card", "length"));
        if (!n.lockGroup().equals(Case.HOME)) {
            out.add("ball");
        }
        return out.toArray(String[]::new);
    }

    private static PlateNeed proposal(PlateKey key, PlateRole role, Reason reason, PlateNeed like) {
        Set<String> illusions = new TreeSet<>(like.illusions());
        return new PlateNeed(
                key, role, reason, List.of(), null, "", illusions, Set.of(), Set.of(), Screen.NONE, Region.NONE, like.lockGroup(),
                like.lightGroup(), PlateNeed.Length.STILL, PlateNeed.Notes.NONE,
                Set.of(), true);
    }
}
