package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.SetState;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.value.Coded;

/// A day's jobs one after the other, with every change before each and its minutes.
///
/// - `exact`: no order costs less. `broken`: what this order violates; empty for every order found here.
public record RunningOrder(List<Step> steps, boolean exact, List<Broken> broken) {
    /// More jobs than this are no day any more: whole shots are ordered in stretches, one stretch after the other.
    static final int MOST_AT_ONCE = 400;

    public RunningOrder {
        steps = List.copyOf(steps);
        broken = List.copyOf(broken);
    }

    /// A job, the changes before it, and when it is rolled, in minutes after the first change begins.
    public record Step(Job job, List<Change> changes, double rollsAt) {
        public PlateNeed need() {
            return job.need();
        }

        public double changeMinutes() {
            return changes.stream().mapToDouble(Change::minutes).sum();
        }
    }

    /// `job` comes too early or too late because of `other`: `broken.<code>` are the words.
    public record Broken(Kind kind, Job job, Job other) {
        /// What is not kept: something first, or one camera position in one go.
        public enum Kind implements Coded {AFTER, LOCK}
    }

    /// All jobs of a plan: a clean plate gives one or two, as the house rolls it.
    public static List<Job> jobs(Shot shot, BreakdownPlan plan, HouseRules rules) {
        boolean open = Answers.of(shot.setting()).is(Answer.Light.SUN);
        List<Job> out = new ArrayList<>();
        for (PlateNeed n : plan.needs()) {
            if (!n.filmed()) {
                continue;
            }
            boolean sun = open && n.lightGroup().equals(Case.HOME);
            if (n.role() != PlateRole.CLEAN || rules.follows(Approach.CLEAN_WHEN, "last")) {
                out.add(Job.of(shot.id(), n, Job.Part.WHOLE, sun));
                continue;
            }
            out.add(Job.of(shot.id(), n, Job.Part.OPENING, sun));
            boolean others = plan.needs().stream().anyMatch(o -> o != n && o.role() != PlateRole.REFERENCE && o.lockGroup()
                    .equals(n.lockGroup()));
            if (others && rules.follows(Approach.CLEAN_WHEN, "both")) {
                out.add(Job.of(shot.id(), n, Job.Part.CLOSING, sun));
            }
        }
        return out;
    }

    /// The cheapest order for one shot alone.
    public static RunningOrder cheapest(Shot shot, HouseRules rules) {
        return cheapest(jobs(shot, Breakdown.plan(shot, rules), rules), List.of(), rules.estimates());
    }

    /// The cheapest order over all shots of a production.
    public static RunningOrder cheapest(Production p) {
        return cheapest(jobs(p), p.day().order(), p.houseRules().estimates());
    }

    /// The jobs of all shots, in the order of the shots.
    public static List<Job> jobs(Production p) {
        return p.shots().stream().flatMap(s -> jobs(s, Breakdown.plan(s, p.houseRules()), p.houseRules()).stream()).toList();
    }

    /// @param preferred ids of an order the crew prefers; the result is never dearer than it
    public static RunningOrder cheapest(List<Job> jobs, List<String> preferred, Estimates estimates) {
        List<List<Job>> stretches = stretches(jobs);
        if (stretches.size() > 1) {
            return inStretches(stretches, jobs, preferred, estimates);
        }
        return searched(jobs, preferred, estimates, OrderSolver.BUDGET);
    }

    private static RunningOrder searched(List<Job> jobs, List<String> preferred, Estimates estimates, long budget) {
        OrderProblem problem = OrderProblem.of(jobs, estimates);
        int[] own = preferred.isEmpty() ? null : indices(jobs, preferred);
        OrderSolver.Result r = OrderSolver.solve(problem, own, OrderSolver.EXACT_GROUPS, budget);
        return of(problem, r.order(), r.exact(), estimates);
    }

    /// Whole shots, as many as can be ordered together.
    private static List<List<Job>> stretches(List<Job> jobs) {
        List<List<Job>> out = new ArrayList<>();
        List<Job> now = new ArrayList<>();
        for (int i = 0; i < jobs.size(); i++) {
            int end = i;
            while (end < jobs.size() && jobs.get(end).shot().equals(jobs.get(i).shot())) {
                end++;
            }
            if (!now.isEmpty() && now.size() + end - i > MOST_AT_ONCE) {
                out.add(now);
                now = new ArrayList<>();
            }
            now.addAll(jobs.subList(i, end));
            i = end - 1;
        }
        out.add(now);
        return out;
    }

    private static RunningOrder inStretches(List<List<Job>> stretches, List<Job> jobs, List<String> preferred, Estimates estimates) {
        List<Job> ordered = new ArrayList<>();
        for (List<Job> some : stretches) {
            if (Thread.interrupted()) {
                throw new CancellationException("the order is not wanted any more");
            }
            searched(some, preferred, estimates, OrderSolver.BUDGET / stretches.size()).steps.forEach(s -> ordered.add(s.job()));
        }
        RunningOrder found = of(OrderProblem.unpriced(ordered), IntStream.range(0, ordered.size()).toArray(), false, estimates);
        RunningOrder own = preferred.isEmpty() ? found : priced(jobs, preferred, estimates);
        return own.broken.isEmpty() && own.changeMinutes() < found.changeMinutes() - 1e-9 ? own : found;
    }

    /// Jobs in the order of some ids, those not named at the end, with its price and what it breaks.
    public static RunningOrder priced(List<Job> jobs, List<String> ids, Estimates estimates) {
        return of(OrderProblem.unpriced(jobs), indices(jobs, ids), false, estimates);
    }

    private static int[] indices(List<Job> jobs, List<String> ids) {
        Map<String, Integer> byId = new LinkedHashMap<>();
        IntStream.range(0, jobs.size()).forEach(i -> byId.put(jobs.get(i).id(), i));
        Set<Integer> order = new LinkedHashSet<>(ids.stream().filter(byId::containsKey).map(byId::get).toList());
        IntStream.range(0, jobs.size()).forEach(order::add);
        return order.stream().mapToInt(Integer::intValue).toArray();
    }

    private static RunningOrder of(OrderProblem problem, int[] order, boolean exact, Estimates estimates) {
        List<Step> steps = new ArrayList<>();
        SetState now = SetState.EMPTY;
        double clock = 0;
        for (int j : order) {
            Job job = problem.jobs().get(j);
            List<Change> changes = Change.between(now, job.state(), estimates.changes());
            clock += changes.stream().mapToDouble(Change::minutes).sum();
            steps.add(new Step(job, changes, clock));
            clock += job.minutes();
            now = job.state();
        }
        return new RunningOrder(steps, exact, broken(problem, order));
    }

    private static List<Broken> broken(OrderProblem problem, int[] order) {
        List<Broken> out = new ArrayList<>();
        BitSet done = new BitSet();
        Set<Integer> left = new HashSet<>();
        for (int k = 0; k < order.length; k++) {
            int j = order[k];
            problem.before()[j].stream().filter(i -> !done.get(i)).findFirst()
                    .ifPresent(i -> out.add(new Broken(Broken.Kind.AFTER, problem.jobs().get(j), problem.jobs().get(i))));
            if (k > 0 && problem.lock()[order[k - 1]] != problem.lock()[j]) {
                left.add(problem.lock()[order[k - 1]]);
                if (left.contains(problem.lock()[j])) {
                    out.add(new Broken(Broken.Kind.LOCK, problem.jobs().get(j), problem.jobs().get(order[k - 1])));
                }
            }
            done.set(j);
        }
        return out;
    }

    /// Minutes of changing the set.
    public double changeMinutes() {
        return steps.stream().mapToDouble(Step::changeMinutes).sum();
    }

    /// Minutes for changing and rolling all of it.
    public double minutes() {
        return steps.isEmpty() ? 0 : steps.getLast().rollsAt() + steps.getLast().job().minutes();
    }

    /// The jobs' ids in running order.
    public List<String> ids() {
        return steps.stream().map(s -> s.job().id()).toList();
    }

    /// The steps of one shot, in running order.
    public List<Step> of(String shot) {
        return steps.stream().filter(s -> s.job().shot().equals(shot)).toList();
    }

    /// The order with one job moved to another place.
    public List<String> moved(String job, int to) {
        List<String> ids = new ArrayList<>(ids());
        if (ids.remove(job)) {
            ids.add(Math.clamp(to, 0, ids.size()), job);
        }
        return ids;
    }

    /// How many changes of each kind, and their minutes together.
    public Map<Change.Kind, double[]> changesByKind() {
        Map<Change.Kind, double[]> out = new LinkedHashMap<>();
        steps.stream().flatMap(s -> s.changes().stream()).forEach(c -> {
            double[] sum = out.computeIfAbsent(c.kind(), k -> new double[2]);
            sum[0]++;
            sum[1] += c.minutes();
        });
        return out;
    }
}
