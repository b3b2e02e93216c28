package org.scenothesis.core.breakdown.compare;

import java.util.List;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Shot;

/// A plan with what it costs: minutes on set in the cheapest order of its own jobs.
public record Weighed(BreakdownPlan plan, double minutes) {
    /// The plan of a shot under a house's rules.
    public static Weighed of(Shot shot, HouseRules rules) {
        BreakdownPlan plan = Breakdown.plan(shot, rules);
        return new Weighed(plan, RunningOrder.cheapest(RunningOrder.jobs(shot, plan, rules), List.of(), rules.estimates()).minutes());
    }
}
