package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.PlateRole;

/// The order in which plates cost the least changing of the set; exact for up to 15 plates.
///
/// Source: dynamic programming over subsets, Held & Karp 1962.
public final class RunningOrder {
    private static final int MOST = 15;
    private static final double ROLL_MINUTES = 2;

    private RunningOrder() {}

    /// A planned place in the order: what to roll, and the minutes of change before it.
    public record Step(PlateNeed need, double changeMinutes) {}

    /// The cheapest order from an empty set; needs beyond the fifteenth follow in the order given.
    public static List<Step> plan(List<PlateNeed> needs, HouseRules rules) {
        List<PlateNeed> some = needs.subList(0, Math.min(MOST, needs.size()));
        List<PlateNeed> order = new ArrayList<>(best(some, rules));
        order.addAll(needs.subList(some.size(), needs.size()));
        return priced(order);
    }

    /// Any order with its prices.
    public static List<Step> priced(List<PlateNeed> order) {
        List<Step> steps = new ArrayList<>();
        SetState now = new SetState(SetState.Screen.NONE, false, false, false);
        for (PlateNeed n : order) {
            steps.add(new Step(n, now.minutesTo(n.state())));
            now = n.state();
        }
        return steps;
    }

    /// Minutes for changing and rolling all of it.
    public static double minutes(List<Step> steps) {
        return steps.stream().mapToDouble(s -> s.changeMinutes() + ROLL_MINUTES + s.need().rollSeconds() / 60).sum();
    }

    private static List<PlateNeed> best(List<PlateNeed> needs, HouseRules rules) {
        int n = needs.size();
        double[][] cost = new double[1 << n][n];
        int[][] from = new int[1 << n][n];
        SetState empty = new SetState(SetState.Screen.NONE, false, false, false);
        for (int set = 1; set < 1 << n; set++) {
            for (int last = 0; last < n; last++) {
                cost[set][last] = Double.MAX_VALUE;
                if ((set & 1 << last) == 0 || !allowed(needs, set, last, rules)) {
                    continue;
                }
                int rest = set & ~(1 << last);
                if (rest == 0) {
                    cost[set][last] = empty.minutesTo(needs.get(last).state());
                    from[set][last] = -1;
                }
                for (int prev = 0; prev < n; prev++) {
                    if ((rest & 1 << prev) != 0 && cost[rest][prev] < Double.MAX_VALUE) {
                        double c = cost[rest][prev] + needs.get(prev).state().minutesTo(needs.get(last).state());
                        if (c < cost[set][last] - 1e-9) {
                            cost[set][last] = c;
                            from[set][last] = prev;
                        }
                    }
                }
            }
        }
        return trace(needs, cost, from);
    }

    /// Whether `last` may come after all others of `set`: what must precede it is in, and a clean plate that opens the day opens it.
    private static boolean allowed(List<PlateNeed> needs, int set, int last, HouseRules rules) {
        PlateNeed need = needs.get(last);
        for (int i = 0; i < needs.size(); i++) {
            boolean in = (set & 1 << i) != 0;
            if (!in && need.after().contains(needs.get(i).role())) {
                return false;
            }
            boolean cleanFirst = rules.cleanPlateEnds() != HouseRules.CleanPlateEnds.LAST;
            if (cleanFirst && !in && needs.get(i).role() == PlateRole.CLEAN && need.role() != PlateRole.CLEAN) {
                return false;
            }
            if (!cleanFirst && !in && need.role() == PlateRole.CLEAN && needs.get(i).role() == PlateRole.PRACTICAL) {
                return false;
            }
        }
        return true;
    }

    private static List<PlateNeed> trace(List<PlateNeed> needs, double[][] cost, int[][] from) {
        int n = needs.size();
        int set = (1 << n) - 1;
        int last = 0;
        for (int i = 1; i < n; i++) {
            if (cost[set][i] < cost[set][last]) {
                last = i;
            }
        }
        List<PlateNeed> order = new ArrayList<>();
        while (n > 0 && last >= 0 && set != 0) {
            order.addFirst(needs.get(last));
            int prev = from[set][last];
            set &= ~(1 << last);
            last = prev;
        }
        return order;
    }
}
