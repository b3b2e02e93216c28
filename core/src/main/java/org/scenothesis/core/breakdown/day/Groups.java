package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/// What the lock groups of a day look like from outside: the ways in, the ways out, and the cost between them.
///
/// Jobs that are alike in every cost and rule (twelve figures of one person) are done one after the other, so they count as one. A group
/// that is still too large for exactness has one way, the good order found for it.
final class Groups {
    private final OrderProblem problem;
    private final List<GroupPaths> paths = new ArrayList<>();
    /// Jobs that count as one, by the first of them.
    private final Map<Integer, List<Integer>> twins = new TreeMap<>();
    private final List<BitSet> shared;
    private final List<int[]> members = new ArrayList<>();
    /// Orders of groups too large for exactness; empty for the others.
    private final List<int[]> fixed = new ArrayList<>();
    private final double[] lengths;

    Groups(OrderProblem problem, int @Nullable [] preferred) {
        this.problem = problem;
        shared = shared(problem);
        findTwins();
        for (int[] jobs : problem.groups()) {
            int[] first = Arrays.stream(jobs).filter(this::isFirst).toArray();
            boolean large = first.length > GroupPaths.MOST;
            fixed.add(large ? expanded(new LargeGroup(problem, first, preferred).order()) : new int[0]);
            paths.add(new GroupPaths(problem, large ? new int[0] : first));
            members.add(jobs);
        }
        lengths = members.stream().mapToDouble(jobs -> Arrays.stream(jobs).mapToDouble(j -> problem.jobs().get(j).minutes()).sum())
                .toArray();
    }

    /// For every job the first that is like it, found among those with the same costs.
    private void findTwins() {
        Map<Integer, List<Integer>> firsts = new HashMap<>();
        for (int j = 0; j < problem.size(); j++) {
            int job = j;
            List<Integer> candidates = firsts.computeIfAbsent(Arrays.hashCode(problem.cost()[j]), k -> new ArrayList<>());
            int first = candidates.stream().filter(i -> problem.lock()[i] == problem.lock()[job] && alike(i, job)).findFirst().orElse(job);
            twins.computeIfAbsent(first, k -> new ArrayList<>()).add(job);
            if (first == job) {
                candidates.add(job);
            }
        }
    }

    private boolean isFirst(int job) {
        return twins.containsKey(job);
    }

    /// An order of first jobs with their twins behind each.
    private int[] expanded(int[] firsts) {
        return Arrays.stream(firsts).flatMap(f -> twins.getOrDefault(f, List.of()).stream().mapToInt(Integer::intValue)).toArray();
    }

    private boolean alike(int i, int j) {
        boolean same = problem.cost()[i][j] == 0 && problem.cost()[j][i] == 0 && problem.first()[i] == problem.first()[j]
                && problem.light()[i] == problem.light()[j]
                && problem.before()[i].equals(problem.before()[j]);
        for (int k = 0; same && k < problem.size(); k++) {
            boolean apart = k == i || k == j;
            same = apart || problem.cost()[i][k] == problem.cost()[j][k] && problem.cost()[k][i] == problem.cost()[k][j]
                    && problem.before()[k].get(i) == problem.before()[k].get(j);
        }
        return same;
    }

    /// What it weighs to do a group while sunlit light groups that others share are begun and not ended: next to nothing, so that it only
    /// decides between equals.
    double waiting(BitSet done, int g) {
        int open = 0;
        for (BitSet of : shared) {
            open += of.intersects(done) && !contains(done, of) ? 1 : 0;
        }
        return GroupPaths.DRIFT * lengths[g] * open;
    }

    private static boolean contains(BitSet all, BitSet some) {
        for (int i = some.nextSetBit(0); i >= 0; i = some.nextSetBit(i + 1)) {
            if (!all.get(i)) {
                return false;
            }
        }
        return true;
    }

    /// For every sunlit light group, the lock groups it reaches over, if they are several.
    private static List<BitSet> shared(OrderProblem problem) {
        Map<Integer, BitSet> out = new TreeMap<>();
        for (int j = 0; j < problem.size(); j++) {
            if (problem.light()[j] >= 0) {
                out.computeIfAbsent(problem.light()[j], k -> new BitSet()).set(problem.lock()[j]);
            }
        }
        return out.values().stream().filter(b -> b.cardinality() > 1).toList();
    }

    int size() {
        return paths.size();
    }

    boolean exact() {
        return fixed.stream().allMatch(f -> f.length == 0);
    }

    int[] path(int g, int from, int to) {
        if (fixed.get(g).length > 0) {
            return fixed.get(g);
        }
        return expanded(paths.get(g).path(from, to));
    }

    int ways(int g) {
        return fixed.get(g).length > 0 ? 1 : paths.get(g).size();
    }

    int in(int g, int way) {
        return fixed.get(g).length > 0 ? fixed.get(g)[0] : paths.get(g).job(way);
    }

    int out(int g, int way) {
        return fixed.get(g).length > 0 ? fixed.get(g)[fixed.get(g).length - 1] : paths.get(g).job(way);
    }

    double through(int g, int from, int to) {
        return fixed.get(g).length > 0 ? problem.minutes(fixed.get(g)) - problem.first()[fixed.get(g)[0]] : paths.get(g).cost(from, to);
    }

    /// Cost of having done a group and leaving by each way, after leaving another by each of its.
    double[] after(double @Nullable [] before, int previous, int g) {
        double[] enter = new double[ways(g)];
        for (int way = 0; way < enter.length; way++) {
            if (before == null) {
                enter[way] = problem.first()[in(g, way)];
            } else {
                enter[way] = Double.POSITIVE_INFINITY;
                for (int p = 0; p < before.length; p++) {
                    enter[way] = Math.min(enter[way], before[p] + problem.cost()[out(previous, p)][in(g, way)]);
                }
            }
        }
        double[] leave = new double[enter.length];
        Arrays.fill(leave, Double.POSITIVE_INFINITY);
        for (int from = 0; from < enter.length; from++) {
            for (int to = 0; to < leave.length; to++) {
                leave[to] = Math.min(leave[to], enter[from] + through(g, from, to));
            }
        }
        return leave;
    }
}
