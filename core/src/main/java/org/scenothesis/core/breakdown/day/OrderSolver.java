package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;

/// Orders jobs at the least minutes of change, lock groups unbroken.
///
/// - Inside a lock group the order is exact up to fifteen jobs, for every way of entering and leaving it.
/// - The sequence of groups is exact up to thirteen of them (dynamic programming over subsets); beyond, it is improved by moving and
///   swapping groups from several starts, the crew's own order among them, so the result is never dearer than it; the search has a budget,
///   so that hundreds of shots are ordered well enough in time. Larger groups are improved job by job.
/// - Minutes count first. Among equals, plates of one sunlit light group are kept close in time, in a lock group and over several.
/// - Deterministic.
public final class OrderSolver {
    static final int EXACT_GROUPS = 13;
    private static final int STARTS = 24;
    /// Members of sequences looked at before the best so far is taken; enough for a day, and a bound for a season.
    static final long BUDGET = 5_000_000;

    private final OrderProblem problem;
    private final Groups groups;
    private final BitSet[] groupBefore;

    private OrderSolver(OrderProblem problem, int @Nullable [] preferred) {
        this.problem = problem;
        groups = new Groups(problem, preferred);
        groupBefore = new BitSet[groups.size()];
        Arrays.setAll(groupBefore, g -> new BitSet());
        for (int j = 0; j < problem.size(); j++) {
            int g = problem.lock()[j];
            problem.before()[j].stream().filter(i -> problem.lock()[i] != g).forEach(i -> groupBefore[g].set(problem.lock()[i]));
        }
    }

    /// The order, its minutes of change, and whether it is known to be the best there is.
    public record Result(int[] order, double minutes, boolean exact) {}

    /// The cheapest order, starting from none.
    public static Result solve(OrderProblem problem) {
        return solve(problem, null, EXACT_GROUPS);
    }

    /// As good as the order the crew prefers, or better. `exactGroups`: up to how many groups are sequenced exactly.
    public static Result solve(OrderProblem problem, int @Nullable [] preferred, int exactGroups) {
        return solve(problem, preferred, exactGroups, BUDGET);
    }

    /// The same, with as much search as is granted.
    static Result solve(OrderProblem problem, int @Nullable [] preferred, int exactGroups, long budget) {
        if (problem.size() == 0) {
            return new Result(new int[0], 0, true);
        }
        OrderSolver s = new OrderSolver(problem, preferred);
        boolean small = s.groups.size() <= exactGroups;
        int[] sequence = small ? s.exact() : s.searched(preferred, budget);
        int[] order = s.laidOut(sequence);
        int[] best = preferred != null && problem.permits(preferred) && problem.minutes(preferred) < problem.minutes(order) - 1e-9
                ? preferred : order;
        return new Result(best, problem.minutes(best), small && s.groups.exact());
    }

    private double minutes(int[] sequence) {
        double[] at = null;
        int previous = -1;
        double waiting = 0;
        BitSet done = new BitSet();
        for (int g : sequence) {
            at = groups.after(at, previous, g);
            waiting += groups.waiting(done, g);
            done.set(g);
            previous = g;
        }
        return at == null ? 0 : waiting + least(at);
    }

    private boolean permitted(int[] sequence) {
        BitSet done = new BitSet();
        for (int g : sequence) {
            BitSet first = groupBefore[g];
            for (int i = first.nextSetBit(0); i >= 0; i = first.nextSetBit(i + 1)) {
                if (!done.get(i)) {
                    return false;
                }
            }
            done.set(g);
        }
        return true;
    }

    /// Held & Karp over groups; a state is the set done, the last group, and the way it was left.
    private int[] exact() {
        int n = groups.size();
        double[][][] best = new double[1 << n][n][];
        for (int set = 1; set < 1 << n; set++) {
            for (int last = 0; last < n; last++) {
                if ((set & 1 << last) == 0 || !allIn(groupBefore[last], set & ~(1 << last))) {
                    continue;
                }
                int rest = set & ~(1 << last);
                if (rest == 0) {
                    best[set][last] = groups.after(null, -1, last);
                }
                double waiting = groups.waiting(BitSet.valueOf(new long[] {rest}), last);
                for (int prev = 0; prev < n; prev++) {
                    if ((rest & 1 << prev) != 0 && best[rest][prev] != null) {
                        double[] c = later(groups.after(best[rest][prev], prev, last), waiting);
                        best[set][last] = best[set][last] == null ? c : lower(best[set][last], c);
                    }
                }
            }
        }
        return traced(best, n);
    }

    private static boolean allIn(BitSet of, int set) {
        return of.stream().allMatch(i -> (set & 1 << i) != 0);
    }

    private static double least(double[] of) {
        return Arrays.stream(of).min().orElse(Double.POSITIVE_INFINITY);
    }

    private static double[] later(double[] costs, double by) {
        return Arrays.stream(costs).map(c -> c + by).toArray();
    }

    private static double[] lower(double[] a, double[] b) {
        double[] out = a.clone();
        for (int i = 0; i < out.length; i++) {
            out[i] = Math.min(out[i], b[i]);
        }
        return out;
    }

    /// Backwards through the tables: the previous group is the one from which the cost of leaving here can be explained.
    private int[] traced(double[][][] best, int n) {
        int set = (1 << n) - 1;
        int last = -1;
        int way = 0;
        for (int g = 0; g < n; g++) {
            if (best[set][g] != null && (last < 0 || least(best[set][g]) < least(best[set][last]))) {
                last = g;
            }
        }
        Check.that(last >= 0, "what must come before what goes round in a circle");
        way = indexOf(best[set][last], least(best[set][last]));
        int[] out = new int[n];
        for (int k = n - 1; k >= 0; k--) {
            out[k] = last;
            int rest = set & ~(1 << last);
            int previous = -1;
            int leftBy = 0;
            double cost = best[set][last][way] - groups.waiting(BitSet.valueOf(new long[] {rest}), last);
            for (int prev = 0; prev < n && previous < 0 && rest != 0; prev++) {
                if ((rest & 1 << prev) != 0 && best[rest][prev] != null) {
                    leftBy = explains(best[rest][prev], prev, last, way, cost);
                    previous = leftBy >= 0 ? prev : -1;
                }
            }
            set = rest;
            last = previous;
            way = leftBy;
        }
        return out;
    }

    private int explains(double[] before, int prev, int last, int way, double cost) {
        for (int p = 0; p < before.length; p++) {
            double[] only = new double[before.length];
            Arrays.fill(only, Double.POSITIVE_INFINITY);
            only[p] = before[p];
            if (Math.abs(groups.after(only, prev, last)[way] - cost) < 1e-9) {
                return p;
            }
        }
        return -1;
    }

    private static int indexOf(double[] of, double value) {
        for (int i = 0; i < of.length; i++) {
            if (of[i] == value) {
                return i;
            }
        }
        return 0;
    }

    /// Moves and swaps of groups until none helps, from several starts; the best of all.
    private int[] searched(int @Nullable [] preferred, long granted) {
        Random random = new Random(1);
        int[] best = null;
        double least = Double.POSITIVE_INFINITY;
        Moves.Budget budget = new Moves.Budget(granted);
        for (int start = 0; start < STARTS && (best == null || !budget.spent()); start++) {
            int[] s = start == 0 ? nearest(-1) : start == 1 && preferred != null ? sequenceOf(preferred) : best != null && start % 2 == 0
                    ? shaken(best, random) : nearest(random.nextInt(groups.size()));
            if (!permitted(s)) {
                continue;
            }
            int[] improved = Moves.improved(s, this::minutes, this::permitted, budget);
            double m = minutes(improved);
            if (m < least - 1e-9) {
                least = m;
                best = improved;
            }
        }
        return Check.present(best, "what must come before what goes round in a circle");
    }

    private int[] sequenceOf(int[] order) {
        return Arrays.stream(order).map(j -> problem.lock()[j]).distinct().toArray();
    }

    /// Always the permitted group that costs least next; from `begin` if that may begin.
    private int[] nearest(int begin) {
        int n = groups.size();
        int[] out = new int[n];
        BitSet done = new BitSet();
        double[] at = null;
        for (int k = 0; k < n; k++) {
            int next = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int g = 0; g < n; g++) {
                BitSet missing = (BitSet) groupBefore[g].clone();
                missing.andNot(done);
                if (done.get(g) || !missing.isEmpty()) {
                    continue;
                }
                double c = k == 0 && g == begin ? -1 : least(groups.after(at, k == 0 ? -1 : out[k - 1], g));
                if (c < least) {
                    least = c;
                    next = g;
                }
            }
            Check.that(next >= 0, "what must come before what goes round in a circle");
            at = groups.after(at, k == 0 ? -1 : out[k - 1], next);
            out[k] = next;
            done.set(next);
        }
        return out;
    }

    private int[] shaken(int[] of, Random random) {
        int[] s = of.clone();
        for (int i = 0; i < 4; i++) {
            int[] t = Moves.moved(s, random.nextInt(s.length), 1 + random.nextInt(3), random.nextInt(s.length));
            s = permitted(t) ? t : s;
        }
        return s;
    }

    /// The jobs of a sequence of groups, each group entered and left where it costs least overall.
    private int[] laidOut(int[] sequence) {
        List<double[]> costs = new ArrayList<>();
        double[] at = null;
        for (int k = 0; k < sequence.length; k++) {
            at = groups.after(at, k == 0 ? -1 : sequence[k - 1], sequence[k]);
            costs.add(at);
        }
        List<int[]> paths = new ArrayList<>();
        int exit = indexOf(costs.getLast(), least(costs.getLast()));
        for (int k = sequence.length - 1; k >= 0; k--) {
            int g = sequence[k];
            int previous = k == 0 ? -1 : sequence[k - 1];
            double[] before = k == 0 ? null : costs.get(k - 1);
            int[] found = entry(before, previous, g, exit, costs.get(k)[exit]);
            paths.addFirst(groups.path(g, found[0], exit));
            exit = found[1];
        }
        return paths.stream().flatMapToInt(Arrays::stream).toArray();
    }

    /// By which way a group was entered, and by which the one before was left, for a known cost.
    private int[] entry(double @Nullable [] before, int previous, int g, int exit, double cost) {
        for (int way = 0; way < groups.ways(g); way++) {
            double rest = groups.through(g, way, exit);
            if (before == null && Math.abs(problem.first()[groups.in(g, way)] + rest - cost) < 1e-9) {
                return new int[] {way, 0};
            }
            for (int p = 0; before != null && p < before.length; p++) {
                if (Math.abs(before[p] + problem.cost()[groups.out(previous, p)][groups.in(g, way)] + rest - cost) < 1e-9) {
                    return new int[] {way, p};
                }
            }
        }
        throw new IllegalStateException("an order lost its way");
    }
}
