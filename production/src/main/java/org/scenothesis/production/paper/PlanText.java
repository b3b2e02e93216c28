package org.scenothesis.production.paper;

import java.util.List;
import java.util.stream.Collectors;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.LightWindow;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.method.Method;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.CardWords;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;

/// A plan as plain lines.
public final class PlanText {
    private PlanText() {}

    public static String of(DayPlan day, Shot shot) {
        BreakdownPlan plan = day.plan(shot.id());
        StringBuilder b = new StringBuilder();
        b.append(shot.number()).append(". ").append(shot.title()).append('\n');
        shot.illusions().forEach(w -> b.append("   ").append(PlanWords.illusion(w)).append(", ").append(Words.time(w.fromSeconds()))
                .append(" to ").append(Words.time(w.toSeconds()))
                .append('\n'));
        plan.conflicts().forEach(c -> b.append("   ").append(Words.verdict(c.weight())).append(": ").append(PlanWords.conflict(c))
                .append(' ').append(PlanWords.remedy(c))
                .append('\n'));
        for (PlateNeed n : plan.needs()) {
            plate(b, plan, n);
        }
        plan.declined().forEach(n -> b.append("   without ").append(PlanWords.name(n)).append(": ").append(PlanWords.skip(n)).append('\n'));
        plan.treatments().forEach(t -> treatment(b, t));
        plan.figures().forEach(f -> figure(b, f));
        plan.crowds().forEach(t -> {
            b.append("   ").append(CardWords.crowd(t)).append('\n');
            CardWords.crowdRows(t).forEach(r -> b.append("      ").append(String.join("  ", r)).append('\n'));
        });
        plan.cards().forEach(c -> b.append("   ").append(CardWords.name(c)).append(": ").append(String.join(" ", CardWords.lines(plan, c)))
                .append('\n'));
        plan.cautions().forEach(c -> b.append("   Caution: ").append(Words.of("caution." + c.code())).append(' ')
                .append(Words.of("caution.local")).append('\n'));
        b.append("   Kit: ").append(plan.kit().stream().map(PlanWords::kit).collect(Collectors.joining(", "))).append('\n');
        return b.toString();
    }

    private static void plate(StringBuilder b, BreakdownPlan plan, PlateNeed n) {
        b.append(String.format(
                "   %-44s lock %s light %-2s %s%s%n", PlanWords.name(n), n.lockGroup(), n.lightGroup().isEmpty() ? "\u2013"
                : n.lightGroup(), PlanWords.roll(n),
                n.proposed() ? ", proposed" : ""));
        b.append("      ").append(PlanWords.why(plan, n)).append('\n');
        b.append("      If you skip it: ").append(PlanWords.skip(n)).append('\n');
        PlanWords.notes(n).forEach(l -> b.append("      ").append(l).append('\n'));
    }

    private static void treatment(StringBuilder b, Treatment t) {
        for (Method m : t.methods()) {
            b.append("   ").append(m.chosen() ? "\u2192 " : "  ").append(t.thing()).append(": ").append(PlanWords.method(m))
                    .append(m.recommended() ? ", recommended" : "")
                    .append(", ").append(Words.number(m.setMinutes(), 0)).append(" min on set, ").append(Words.number(m.handHours(), 1))
                    .append(" h by hand later (")
                    .append(PlanWords.assumed(m)).append("). ").append(PlanWords.risks(m)).append('\n');
        }
    }

    private static void figure(StringBuilder b, Figure f) {
        PlanWords.Told t = PlanWords.figure(f);
        b.append("   ").append(t.name()).append(' ').append(t.value()).append(f.verdict() == Verdict.NOT_MEASURED ? ""
                : ", " + Words.verdict(f.verdict())).append(". ")
                .append(t.how()).append('\n');
    }

    /// The order of the day, of one shot's jobs or of all.
    public static String order(DayPlan day, List<RunningOrder.Step> steps) {
        StringBuilder b = new StringBuilder();
        for (RunningOrder.Step s : steps) {
            b.append(PlanWords.clock(day.clock(s))).append("  ").append(s.job().shot()).append("  ").append(PlanWords.name(s.job()));
            b.append(s.changes().isEmpty() ? "" : "  (after " + PlanWords.changes(s.changes()) + ")").append('\n');
        }
        day.calls().forEach((who, at) -> b.append("Called ").append(PlanWords.clock(at)).append(": ").append(PlanWords.item(who))
                .append('\n'));
        b.append("Done ").append(PlanWords.clock(day.ends())).append(" (").append(PlanWords.zone(day)).append(")").append(", ")
                .append(Words.number(day.order().changeMinutes(), 0)).append(" min of ")
                .append(Words.number(day.order().minutes(), 0)).append(" min are changes.\n");
        if (day.own()) {
            b.append("The crew's own order; the cheapest takes ").append(Words.number(day.cheapest().minutes(), 0)).append(" min.\n");
            day.order().broken().forEach(x -> b.append("It breaks: ").append(PlanWords.broken(x)).append('\n'));
        }
        for (LightWindow w : day.windows()) {
            b.append("Light ").append(w.light()).append(", ").append(PlanWords.clock(w.from())).append(" to ")
                    .append(PlanWords.clock(w.to())).append(": ")
                    .append(Words.verdict(w.verdict())).append(". ").append(PlanWords.light(w));
            w.best().ifPresent(m -> b.append(" It turns least from ").append(PlanWords.clock(m)).append('.'));
            b.append('\n');
        }
        return b.toString();
    }
}
