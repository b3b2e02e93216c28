package org.scenothesis.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.Job;
import org.scenothesis.core.breakdown.day.OrderProblem;
import org.scenothesis.core.breakdown.day.OrderSolver;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.illusion.ReadyMadeShots;

/// How long sixty plates over eight shots take to order, and how far the searched order stays from the best there is.
final class Orders {
    private static final int EXACT_HERE = 17;

    private Orders() {}

    static void report() {
        List<Shot> shots = new ArrayList<>();
        for (String id : List.of("lantern-lifts", "makers-in-a-row", "out-of-the-picture", "giant-in-the-yard", "copy-climbs-out",
                "lantern-catches-light",
                "lantern-through-the-ring", "sketch-comes-alive")) {
            Shot blank = new Shot(String.valueOf(shots.size() + 1), shots.size() + 1, "", "", 6, List.of(), List.of(), List.of(),
                    List.of(), null);
            shots.add(ReadyMadeShots.shipped().all().stream().filter(i -> i.id().equals(id)).findFirst().orElseThrow().into(blank));
        }
        Production p = new Production("bench", shots, HouseRules.DEFAULT);
        List<Job> jobs = RunningOrder.jobs(p);
        OrderProblem problem = OrderProblem.of(jobs, p.houseRules().estimates());
        long groups = Arrays.stream(problem.lock()).distinct().count();
        double best = Double.MAX_VALUE;
        for (int i = 0; i < 4; i++) {
            long start = System.nanoTime();
            DayPlan.of(p);
            best = Math.min(best, (System.nanoTime() - start) / 1e9);
        }
        double searched = OrderSolver.solve(problem, null, 0).minutes();
        System.out.printf(Locale.ENGLISH, "%-62s %9.2f %-12s %s%n", "breaking down and ordering " + jobs.size() + " rolls over 8 shots, "
                + groups + " cameras", best, "s", "goal 2");
        if (groups <= EXACT_HERE) {
            double exact = OrderSolver.solve(problem, null, EXACT_HERE).minutes();
            System.out.printf(Locale.ENGLISH, "%-62s %9.3f %-12s %s%n", "  searched order against the exact optimum, change minutes",
                    searched / exact, "times", "goal 1.05");
        }
        Production few = p.withShots(shots.subList(0, 4));
        OrderProblem small = OrderProblem.of(RunningOrder.jobs(few), few.houseRules().estimates());
        double ratio = OrderSolver.solve(small, null, 0).minutes() / OrderSolver.solve(small).minutes();
        System.out.printf(Locale.ENGLISH, "%-62s %9.3f %-12s %s%n", "  the same with four of the shots", ratio, "times", "goal 1.05");
    }
}
