package org.scenothesis.core.breakdown.day;

import java.util.Arrays;

/// The cheapest ways through one lock group, by the job it is entered and the job it is left with; exact.
///
/// - Minutes count first; among equals the order that keeps sunlit groups of one light shorter is taken.
/// - Source: dynamic programming over subsets, Held & Karp 1962. Time 2ⁿ·n³, so n is bounded by [#MOST].
final class GroupPaths {
    static final int MOST = 15;
    /// Weight of a minute of an open sunlit group beside a minute of work: it only ever decides between equals.
    static final double DRIFT = 1e-5;

    private final OrderProblem problem;
    private final int[] jobs;
    private final double[][] cost;

    GroupPaths(OrderProblem problem, int[] jobs) {
        this.problem = problem;
        this.jobs = jobs;
        int n = jobs.length;
        cost = new double[n][];
        for (int entry = 0; entry < n; entry++) {
            double[][] table = mayBegin(entry) ? table(entry) : new double[0][];
            cost[entry] = new double[n];
            Arrays.fill(cost[entry], Double.POSITIVE_INFINITY);
            if (table.length > 0) {
                cost[entry] = table[(1 << n) - 1];
            }
        }
    }

    int size() {
        return jobs.length;
    }

    int job(int i) {
        return jobs[i];
    }

    /// Cheapest from job i of the group to job j, doing all; infinite where it is not permitted.
    double cost(int entry, int exit) {
        return cost[entry][exit];
    }

    private boolean mayBegin(int i) {
        return Arrays.stream(jobs).noneMatch(problem.before()[jobs[i]]::get);
    }

    private double[][] table(int entry) {
        int n = jobs.length;
        double[][] best = new double[1 << n][n];
        for (double[] row : best) {
            Arrays.fill(row, Double.POSITIVE_INFINITY);
        }
        best[1 << entry][entry] = 0;
        for (int set = 1; set < 1 << n; set++) {
            if ((set & 1 << entry) == 0) {
                continue;
            }
            int open = open(set);
            for (int last = 0; last < n; last++) {
                double so = best[set][last];
                if (so < Double.POSITIVE_INFINITY) {
                    for (int next = 0; next < n; next++) {
                        if ((set & 1 << next) == 0 && ready(set, next)) {
                            int more = set | 1 << next;
                            best[more][next] = Math.min(best[more][next], so + step(open, last, next));
                        }
                    }
                }
            }
        }
        return best;
    }

    private double step(int open, int last, int next) {
        double change = problem.cost()[jobs[last]][jobs[next]];
        return change + DRIFT * open * (change + problem.jobs().get(jobs[last]).minutes());
    }

    /// How many sunlit light groups have been begun and not ended.
    private int open(int set) {
        int begun = 0;
        int left = 0;
        for (int i = 0; i < jobs.length; i++) {
            int l = problem.light()[jobs[i]];
            if (l >= 0) {
                if ((set & 1 << i) != 0) {
                    begun |= 1 << l % 31;
                } else {
                    left |= 1 << l % 31;
                }
            }
        }
        return Integer.bitCount(begun & left);
    }

    private boolean ready(int set, int next) {
        for (int i = 0; i < jobs.length; i++) {
            if ((set & 1 << i) == 0 && problem.before()[jobs[next]].get(jobs[i])) {
                return false;
            }
        }
        return true;
    }

    /// The jobs in order, from one to the other.
    int[] path(int entry, int exit) {
        int n = jobs.length;
        double[][] best = table(entry);
        int[] out = new int[n];
        int set = (1 << n) - 1;
        int last = exit;
        for (int k = n - 1; k >= 0; k--) {
            out[k] = jobs[last];
            int rest = set & ~(1 << last);
            for (int prev = 0; prev < n && rest != 0; prev++) {
                if ((rest & 1 << prev) != 0 && Math.abs(best[rest][prev] + step(open(rest), prev, last) - best[set][last]) < 1e-9
                        && ready(rest, last)) {
                    last = prev;
                    break;
                }
            }
            set = rest;
        }
        return out;
    }
}
