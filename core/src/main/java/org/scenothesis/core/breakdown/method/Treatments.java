package org.scenothesis.core.breakdown.method;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.finding.HouseRules;

/// Settles, over all illusions of a shot, how each thing is separated and from where it is filmed.
public final class Treatments {
    private static final double HIGHEST_RATE = 240;

    private Treatments() {}

    /// One demand with what was told about its illusion, and how long that lasts.
    public record Asked(Demand demand, Answers told, double seconds, String key, String illusion) {}

    /// By the key of the thing, in the order given.
    public static Map<String, Treatment> settle(List<Asked> demands, HouseRules rules, String home) {
        Map<String, List<Asked>> byThing = new LinkedHashMap<>();
        demands.forEach(d -> byThing.computeIfAbsent(d.key, k -> new ArrayList<>()).add(d));
        Map<String, Treatment> out = new LinkedHashMap<>();
        int own = 0;
        for (Map.Entry<String, List<Asked>> e : byThing.entrySet()) {
            Treatment t = settle(e.getValue(), rules, home, group(own));
            own += t.lock().equals(home) ? 0 : 1;
            out.put(e.getKey(), t);
        }
        return out;
    }

    private static String group(int own) {
        // Up to R: S is the set-up that all share.
        return own < 17 ? String.valueOf((char) ('B' + own)) : "B" + own;
    }

    private static Treatment settle(List<Asked> of, HouseRules rules, String home, String own) {
        Answers told = together(of);
        List<Way> ways = common(of);
        boolean disagree = ways.isEmpty();
        Demand hardest = of.stream().map(Asked::demand).filter(d -> d.ways().getFirst() != Way.MASK).findFirst()
                .orElse(of.getFirst().demand);
        if (disagree) {
            ways = hardest.ways();
        }
        Demand settled = new Demand(hardest.thing(), ways, hardest.because(), hardest.apart());
        Way chosen = own(told, of.getFirst().key).orElse(ways.getFirst());
        boolean ownLight = any(of, Demand.Apart.LIGHT) || chosen.cloth() && told.is(Answer.Place.STUDIO) || chosen == Way.BLACK
                || chosen == Way.WHITE;
        boolean ownCamera = ownLight || any(of, Demand.Apart.CAMERA);
        double seconds = of.stream().mapToDouble(Asked::seconds).max().orElse(0);
        int frames = (int) Math.ceil(seconds * Math.min(HIGHEST_RATE, told.number(Fact.RATE_PER_S)));
        return new Treatment(
                settled.thing(), of.getFirst().key, of.stream().map(Asked::illusion).distinct().toList(), chosen,
                chosen.cloth() ? ClothChoice.of(told, rules).cloth() : Screen.NONE, ownCamera ? own : home, ownCamera && ownLight ? own
                : home,
                settled.because(), Methods.priced(settled, chosen, told, frames, rules.estimates()), disagree, chosen != ways.getFirst());
    }

    /// The crew's own choice for a thing: `way` alone means all things of an illusion, `thing=way` one of them.
    private static Optional<Way> own(Answers told, String key) {
        Optional<Way> all = Optional.empty();
        for (String choice : told.answer(Fact.METHOD).strip().split("\\s+")) {
            int equals = choice.indexOf('=');
            if (equals >= 0 && choice.substring(0, equals).equals(key)) {
                return Way.byCode(choice.substring(equals + 1));
            }
            all = equals < 0 ? Way.byCode(choice) : all;
        }
        return all;
    }

    private static boolean any(List<Asked> of, Demand.Apart apart) {
        return of.stream().anyMatch(d -> d.demand.apart() == apart);
    }

    /// What all demands allow. A suit in the screen colour works before a screen, so key and suit agree on a key.
    private static List<Way> common(List<Asked> of) {
        List<Way> ways = new ArrayList<>(of.getFirst().demand.ways());
        of.forEach(d -> ways.retainAll(d.demand.ways()));
        boolean screens = of.stream().allMatch(d -> d.demand.ways().contains(Way.KEY) || d.demand.ways().contains(Way.SUIT));
        if (screens && !ways.contains(Way.KEY) && !ways.contains(Way.SUIT)) {
            ways.addFirst(Way.KEY);
        }
        return ways;
    }

    /// All that was told about a thing by any of its illusions.
    private static Answers together(List<Asked> of) {
        Map<String, String> all = new TreeMap<>();
        of.forEach(d -> d.told.illusion().forEach(all::putIfAbsent));
        return new Answers(all, of.getFirst().told.setting());
    }
}
