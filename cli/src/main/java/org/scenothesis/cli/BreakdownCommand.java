package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.PlateNeed;
import org.scenothesis.core.breakdown.RunningOrder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "breakdown", description = "Says which plates a shot needs, why, and in which order.", mixinStandardHelpOptions = true)
final class BreakdownCommand implements Callable<Integer> {
    @Mixin
    OfShot of;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        return of.open((folder, shot) -> {
            BreakdownPlan plan = Breakdown.plan(shot, folder.production().houseRules());
            output.print(json(plan));
            say(plan);
        });
    }

    private static ObjectNode json(BreakdownPlan plan) {
        ObjectNode o = Output.object();
        ArrayNode plates = o.putArray("plates");
        for (RunningOrder.Step s : plan.order()) {
            PlateNeed n = s.need();
            ObjectNode at = plates.addObject();
            at.put("role", n.role().name().toLowerCase(Locale.ROOT));
            at.put("name", Words.of("name." + n.role().name()));
            at.put("why", Words.of("why." + n.code()));
            at.put("if_skipped", Words.of("skip." + n.code()));
            at.put("lock_group", n.lockGroup());
            at.put("light_group", n.lightGroup());
            at.put("screen", n.state().screen().name().toLowerCase(Locale.ROOT));
            at.put("roll_s", n.rollSeconds());
            at.put("change_min", s.changeMinutes());
            at.put("proposed", n.proposed());
            at.set("serves", Output.tree(n.wonders()));
        }
        o.put("minutes", plan.minutes());
        o.set("methods", Output.tree(plan.methods()));
        o.set("kit", Output.tree(plan.kit().stream().map(k -> Words.of("kit." + k)).toList()));
        o.set("cautions", Output.tree(plan.cautions().stream().map(c -> Words.of("caution." + c) + " " + Words.of("caution.local")).toList()));
        o.set("without_rule", Output.tree(plan.unplanned()));
        return o;
    }

    private void say(BreakdownPlan plan) {
        int i = 1;
        for (RunningOrder.Step s : plan.order()) {
            PlateNeed n = s.need();
            output.say(String.format(
                    "%d. %-22s lock %s  %s  change %.0f min", i++, Words.of("name." + n.role().name()), n.lockGroup(),
                    n.rollSeconds() == 0 ? "a still" : Words.number(n.rollSeconds(), 1) + " s", s.changeMinutes()));
            output.say("   " + Words.of("why." + n.code()));
            output.say("   If you skip it: " + Words.of("skip." + n.code()));
        }
        output.say("About " + Words.number(plan.minutes(), 0) + " min on set.");
        plan.cautions().forEach(c -> output.say("Caution: " + Words.of("caution." + c)));
        output.say(Words.of("caution.local"));
        plan.unplanned().forEach(w -> output.say("No rule yet for the wonder " + w + "; plan its plates by hand."));
    }
}
