package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.plate.SetState;
import org.scenothesis.core.finding.Estimates;

/// Jobs to be ordered: what each change costs, what must come before what, and which jobs share an untouched camera.
///
/// - `cost[i][j]`: minutes of change from i to j; `first[j]`: from the empty set. `before[j]`: jobs that must be done before j.
/// - `lock[i]`: number of the lock group; its jobs are done without another's in between. `light[i]`: number of its light group if the sun
///   lights it, else −1.
public record OrderProblem(List<Job> jobs, double[][] cost, double[] first, BitSet[] before, int[] lock, int[] light) {
    /// Minutes of every change between jobs, and what must come before what.
    public static OrderProblem of(List<Job> jobs, Estimates estimates) {
        int n = jobs.size();
        List<SetState> states = jobs.stream().map(Job::state).toList();
        double[][] cost = new double[n][n];
        double[] first = new double[n];
        for (int i = 0; i < n; i++) {
            first[i] = Change.minutes(SetState.EMPTY, states.get(i), estimates.changes());
            for (int j = 0; j < n; j++) {
                cost[i][j] = i == j ? 0 : Change.minutes(states.get(i), states.get(j), estimates.changes());
            }
        }
        return of(jobs, cost, first);
    }

    /// Only what must come before what: of an order that is given nothing is searched, and a table of costs would grow with the square of
    /// the jobs.
    static OrderProblem unpriced(List<Job> jobs) {
        return of(jobs, new double[0][], new double[0]);
    }

    private static OrderProblem of(List<Job> jobs, double[][] cost, double[] first) {
        int n = jobs.size();
        int[] lock = new int[n];
        int[] light = new int[n];
        Map<String, Integer> locks = new LinkedHashMap<>();
        Map<String, Integer> lights = new LinkedHashMap<>();
        for (int i = 0; i < n; i++) {
            Job job = jobs.get(i);
            lock[i] = locks.computeIfAbsent(job.lock(), k -> locks.size());
            light[i] = job.sun() && !job.light().isEmpty() ? lights.computeIfAbsent(job.light(), k -> lights.size()) : -1;
        }
        return new OrderProblem(List.copyOf(jobs), cost, first, Precedence.of(jobs, lock), lock, light);
    }

    /// How many jobs there are.
    public int size() {
        return jobs.size();
    }

    /// Jobs of each lock group, by number.
    List<int[]> groups() {
        List<List<Integer>> out = new ArrayList<>();
        for (int i = 0; i < size(); i++) {
            while (out.size() <= lock[i]) {
                out.add(new ArrayList<>());
            }
            out.get(lock[i]).add(i);
        }
        return out.stream().map(g -> g.stream().mapToInt(Integer::intValue).toArray()).toList();
    }

    /// Minutes of change of an order.
    public double minutes(int[] order) {
        double sum = 0;
        for (int i = 0; i < order.length; i++) {
            sum += i == 0 ? first[order[0]] : cost[order[i - 1]][order[i]];
        }
        return sum;
    }

    /// Whether an order does everything once, in a permitted sequence, no lock group interrupted.
    public boolean permits(int[] order) {
        BitSet done = new BitSet();
        BitSet closed = new BitSet();
        for (int i = 0; i < order.length; i++) {
            int job = order[i];
            BitSet missing = (BitSet) before[job].clone();
            missing.andNot(done);
            if (!missing.isEmpty() || done.get(job) || closed.get(lock[job])) {
                return false;
            }
            done.set(job);
            if (i + 1 < order.length && lock[order[i + 1]] != lock[job]) {
                closed.set(lock[job]);
            }
        }
        return done.cardinality() == size();
    }
}
