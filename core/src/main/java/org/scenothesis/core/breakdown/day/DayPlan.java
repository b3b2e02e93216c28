package org.scenothesis.core.breakdown.day;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.shot.Location;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;

/// Everything planned for a production: the plates of every shot, the order of the day, its light, what to bring and whose leave to get.
///
/// - `order`: the one in force, the crew's own if it has one; `cheapest`: the cheapest there is, for comparison.
public record DayPlan(
        Production production,
        Map<String, BreakdownPlan> plans,
        RunningOrder order,
        RunningOrder cheapest,
        List<LightWindow> windows,
        List<KitItem> kit,
        List<Permission> permissions) {
    private static final double CALLED_BEFORE_MIN = 15;

    public DayPlan {
        plans = Collections.unmodifiableMap(new LinkedHashMap<>(plans));
        windows = List.copyOf(windows);
        kit = List.copyOf(kit);
        permissions = List.copyOf(permissions);
    }

    /// Plans of all shots and the cheapest running order, with no earlier day plan to start from.
    public static DayPlan of(Production p) {
        return of(p, null);
    }

    /// The same, with the plans of shots that did not change since another day was planned.
    public static DayPlan of(Production p, @Nullable DayPlan before) {
        return of(p, before, () -> true);
    }

    /// The same, given up when it is not wanted any more.
    ///
    /// @throws CancellationException if it is not wanted any more
    public static DayPlan of(Production p, @Nullable DayPlan before, BooleanSupplier wanted) {
        Map<String, BreakdownPlan> plans = new LinkedHashMap<>();
        List<Job> jobs = new ArrayList<>();
        for (Shot s : p.shots()) {
            if (!wanted.getAsBoolean()) {
                throw new CancellationException("the plan is not wanted any more");
            }
            BreakdownPlan plan = known(before, s, p).orElseGet(() -> Breakdown.plan(s, p.houseRules()));
            plans.put(s.id(), plan);
            jobs.addAll(RunningOrder.jobs(s, plan, p.houseRules()));
        }
        RunningOrder cheapest = RunningOrder.cheapest(jobs, p.day().order(), p.houseRules().estimates());
        RunningOrder order = p.day().order().isEmpty() ? cheapest : RunningOrder.priced(jobs, p.day().order(), p.houseRules().estimates());
        return new DayPlan(p, plans, order, cheapest, LightWindow.of(order, p), kit(plans), permissions(p, plans));
    }

    private static Optional<BreakdownPlan> known(@Nullable DayPlan before, Shot s, Production p) {
        if (before == null) {
            return Optional.empty();
        }
        boolean same = before.production.hasShot(s.id()) && before.production.shot(s.id()) == s && before.production.houseRules()
                .equals(p.houseRules());
        return same ? Optional.ofNullable(before.plans.get(s.id())) : Optional.empty();
    }

    /// Whether the crew prefers an order of its own.
    public boolean own() {
        return !production.day().order().isEmpty();
    }

    /// What the order in force costs more than the cheapest, in minutes; negative only for an order that breaks something.
    public double extraMinutes() {
        return order.minutes() - cheapest.minutes();
    }

    /// The plan of one shot.
    public BreakdownPlan plan(String shot) {
        return Optional.ofNullable(plans.get(shot)).orElseThrow();
    }

    /// Minutes after midnight at which a step is rolled.
    public double clock(RunningOrder.Step s) {
        return LightWindow.begin(production) + s.rollsAt();
    }

    /// When everyone is called, in minutes after midnight: a quarter of an hour before the change that brings them in, on the last five
    /// minutes, never before the crew.
    public Map<Item, Double> calls() {
        double crew = production.day().call().toSecondOfDay() / 60.0;
        Map<Item, Double> out = new LinkedHashMap<>();
        for (RunningOrder.Step s : order.steps()) {
            double at = Math.max(crew, 5 * Math.floor((clock(s) - s.changeMinutes() - CALLED_BEFORE_MIN) / 5));
            s.need().in().stream().filter(i -> i.sort() == Item.Sort.PERSON).forEach(i -> out.putIfAbsent(i, at));
        }
        return out;
    }

    /// When the last job is done, in minutes after midnight.
    public double ends() {
        return LightWindow.begin(production) + order.minutes();
    }

    private static List<KitItem> kit(Map<String, BreakdownPlan> plans) {
        Map<String, Integer> count = new LinkedHashMap<>();
        plans.values().forEach(p -> p.kit().forEach(k -> count.merge(k.code(), k.count(), Math::max)));
        return count.entrySet().stream().map(e -> new KitItem(e.getKey(), e.getValue())).toList();
    }

    /// What is wanted, with whatever was recorded for it; records that nothing wants any more stay.
    private static List<Permission> permissions(Production p, Map<String, BreakdownPlan> plans) {
        Map<String, Permission> out = new LinkedHashMap<>();
        plans.values().forEach(plan -> plan.permissions().forEach(w -> out.put(w.id(), w)));
        p.permissions().forEach(r -> out.put(r.id(), r));
        return List.copyOf(out.values());
    }

    /// The clock the day's times are told by, as the first place under the sky has it; empty where no place is told, so that they are those
    /// of whatever clock hangs there.
    public Optional<ZoneId> zone() {
        return production.shots().stream().flatMap(s -> s.setting().inTheOpen().stream()).findFirst().map(Location::zoneId);
    }
}
