package org.scenothesis.core.breakdown.day;

import java.util.Arrays;
import java.util.BitSet;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;

/// A good order inside a lock group with more jobs than can be ordered exactly: greedy, then moves of up to three jobs until none helps.
final class LargeGroup {
    /// Beyond, improving would take longer than anyone waits; the greedy order stays.
    private static final int MOST_IMPROVED = 100;

    private final OrderProblem problem;
    private final int[] jobs;
    private final int @Nullable [] preferred;

    LargeGroup(OrderProblem problem, int[] jobs, int @Nullable [] preferred) {
        this.problem = problem;
        this.jobs = jobs;
        this.preferred = preferred;
    }

    int[] order() {
        int[] best = improved(greedy());
        if (preferred != null) {
            int[] own = Arrays.stream(preferred).filter(j -> Arrays.stream(jobs).anyMatch(i -> i == j)).toArray();
            if (own.length == jobs.length && permitted(own)) {
                int[] other = improved(own);
                best = problem.minutes(other) < problem.minutes(best) ? other : best;
            }
        }
        return best;
    }

    private int[] greedy() {
        int[] out = new int[jobs.length];
        BitSet done = new BitSet();
        for (int k = 0; k < out.length; k++) {
            int next = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int j : jobs) {
                double c = k == 0 ? problem.first()[j] : problem.cost()[out[k - 1]][j];
                if (!done.get(j) && ready(j, done) && c < least) {
                    least = c;
                    next = j;
                }
            }
            Check.that(next >= 0, "what must come before what goes round in a circle");
            out[k] = next;
            done.set(next);
        }
        return out;
    }

    private boolean ready(int job, BitSet done) {
        return Arrays.stream(jobs).noneMatch(i -> problem.before()[job].get(i) && !done.get(i));
    }

    private boolean permitted(int[] order) {
        BitSet done = new BitSet();
        for (int j : order) {
            if (!ready(j, done)) {
                return false;
            }
            done.set(j);
        }
        return true;
    }

    private int[] improved(int[] of) {
        return of.length > MOST_IMPROVED ? of : Moves.improved(of, problem::minutes, this::permitted, new Moves.Budget(OrderSolver.BUDGET));
    }
}
