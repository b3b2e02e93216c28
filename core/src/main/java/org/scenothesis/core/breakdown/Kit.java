package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// What to bring for a shot, with counts; the same thing asked for twice is brought once.
final class Kit {
    private Kit() {}

    static List<KitItem> of(Shot shot, HouseRules rules, List<PlateNeed> needs, List<KitItem> fromRules) {
        if (needs.isEmpty()) {
            return List.of();
        }
        Answers told = Answers.of(shot.setting());
        List<KitItem> all = new ArrayList<>(KitItem.each("tripod", "weight", "remote", "card", "ruler", "tape"));
        Set<Screen> cloths = new TreeSet<>();
        needs.stream().filter(n -> n.role() != PlateRole.TRANSITION && !n.notes().record().contains("square"))
                .forEach(n -> cloths.add(n.screen()));
        for (Screen s : cloths) {
            if (s == Screen.GREEN || s == Screen.BLUE) {
                all.add(KitItem.one("cloth." + s.name().toLowerCase(Locale.ROOT)));
            }
        }
        if (needs.stream().anyMatch(n -> (n.screen() == Screen.GREEN || n.screen() == Screen.BLUE) && n.region().cloth().floorM() > 0)) {
            all.add(KitItem.one("cloth.floor"));
        }
        boolean hung = cloths.contains(Screen.GREEN) || cloths.contains(Screen.BLUE) || cloths.contains(Screen.BLACK);
        if (hung) {
            all.addAll(List.of(new KitItem("stands", 2), new KitItem("sandbags", 4)));
            all.add(rules.follows(Approach.WRINKLES, "stretch") ? new KitItem("clips", 12) : new KitItem("clips", 6));
        }
        if (told.is(Answer.Light.LAMPS)) {
            boolean cloth = cloths.contains(Screen.GREEN) || cloths.contains(Screen.BLUE);
            int forCloth = !cloth ? 0 : switch (rules.approach(Approach.CLOTH_LIGHT)) {
                case "above" -> 1;
                case "sides" -> 2;
                default -> 0;
            };
            all.add(new KitItem("lamps", 1 + forCloth));
        }
        for (String lamp : List.of("bulb", "flash", "lamp.small")) {
            if (needs.stream().anyMatch(n -> n.in().contains(Item.support(lamp)))) {
                all.add(KitItem.one(lamp));
            }
        }
        if (needs.stream().anyMatch(n -> n.notes().record().contains("ball"))) {
            all.add(KitItem.one("ball"));
        }
        all.addAll(fromRules);
        Map<String, Integer> count = new LinkedHashMap<>();
        all.forEach(k -> count.merge(k.code(), k.count(), Math::max));
        return count.entrySet().stream().map(e -> new KitItem(e.getKey(), e.getValue())).toList();
    }
}
