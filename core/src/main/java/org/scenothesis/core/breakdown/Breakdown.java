package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Wonder;

/// Breaks a shot down: asks every wonder's rule, merges what can be one plate, orders the day.
public final class Breakdown {
    private static final List<WonderRule> RULES = List.of(new FloatsRule());

    private Breakdown() {}

    public static Optional<WonderRule> rule(Wonder wonder) {
        return RULES.stream().filter(r -> r.kind() == wonder.kind()).findFirst();
    }

    public static BreakdownPlan plan(Shot shot, HouseRules rules) {
        List<PlateNeed> needs = new ArrayList<>();
        Map<String, List<Method>> methods = new LinkedHashMap<>();
        Set<String> kit = new LinkedHashSet<>();
        Set<String> cautions = new LinkedHashSet<>();
        List<String> unplanned = new ArrayList<>();
        for (Wonder w : shot.wonders()) {
            Optional<WonderRule> rule = rule(w);
            if (rule.isEmpty()) {
                unplanned.add(w.id());
                continue;
            }
            rule.get().plates(w, rules).forEach(n -> merge(needs, n));
            methods.put(w.id(), rule.get().methods(w));
            kit.addAll(rule.get().kit(w));
            cautions.addAll(rule.get().cautions(w));
        }
        List<RunningOrder.Step> order = RunningOrder.plan(needs, rules);
        return new BreakdownPlan(order, RunningOrder.minutes(order), methods, List.copyOf(kit), List.copyOf(cautions), unplanned);
    }

    private static void merge(List<PlateNeed> needs, PlateNeed more) {
        for (int i = 0; i < needs.size(); i++) {
            if (needs.get(i).mergesWith(more)) {
                needs.set(i, needs.get(i).merged(more));
                return;
            }
        }
        needs.add(more);
    }

    /// The plates of a plan that the shot lacks, as new plates named by `name`; the shot's own plates are never touched.
    public static List<Plate> missing(Shot shot, BreakdownPlan plan, java.util.function.Function<PlateNeed, String> name) {
        List<Plate> out = new ArrayList<>();
        List<Plate> have = new ArrayList<>(shot.plates());
        for (RunningOrder.Step step : plan.order()) {
            PlateNeed n = step.need();
            Optional<Plate> match = have.stream().filter(p -> p.role() == n.role()).findFirst();
            if (match.isPresent()) {
                have.remove(match.get());
                continue;
            }
            int i = shot.plates().size() + out.size();
            String id = n.role().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-') + "-" + (i + 1);
            out.add(new Plate(id, name.apply(n), n.role(), Spike.number(i), n.lockGroup(), n.lightGroup(), n.rollSeconds(), List.of()));
        }
        return out;
    }
}
