package org.scenothesis.core.breakdown;

import java.util.List;
import java.util.Map;

/// All that follows from the facts of a shot: running order with the plates, methods per wonder, kit, cautions.
///
/// - `unplanned`: ids of wonders for which there is no rule yet; never silently dropped.
public record BreakdownPlan(
        List<RunningOrder.Step> order, double minutes, Map<String, List<Method>> methods, List<String> kit, List<String> cautions, List<String> unplanned) {
    public BreakdownPlan {
        order = List.copyOf(order);
        methods = Map.copyOf(methods);
        kit = List.copyOf(kit);
        cautions = List.copyOf(cautions);
        unplanned = List.copyOf(unplanned);
    }
}
