package org.scenothesis.production.words;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.scenothesis.core.breakdown.compare.Influence;
import org.scenothesis.core.breakdown.compare.PlanDifference;
import org.scenothesis.core.breakdown.plate.PlateNeed;

/// The words of what two plans differ in, and of what a plate hangs on.
public final class DifferenceWords {
    private static final int NAMED = 2;
    private static final String MINUS = "\u2212";

    private DifferenceWords() {}

    /// "+ 1 plate, + 12 min: The maker, on screen", or that nothing changes.
    public static String brief(PlanDifference d) {
        if (d.none()) {
            return Words.of("differs.none");
        }
        List<String> out = new ArrayList<>();
        int plates = d.added().size() - d.gone().size();
        if (plates != 0) {
            out.add(Words.of("differs.plates", signed(plates), Math.abs(plates)));
        } else if (!d.added().isEmpty() || !d.changed().isEmpty()) {
            out.add(Words.of("differs.same"));
        }
        if (Math.abs(d.minutes()) >= 0.5) {
            out.add(signed((int) Math.round(d.minutes())) + "\u00a0min");
        }
        if (Math.abs(d.handHours()) >= 0.05) {
            out.add(Words.of("differs.hand", (d.handHours() > 0 ? "+\u00a0" : MINUS + "\u00a0") + Words.number(Math.abs(d.handHours()),
                    1)));
        }
        String names = names(d);
        String head = out.isEmpty() ? Words.of("differs.marks") : String.join(", ", out);
        return names.isEmpty() ? head : head + ": " + names;
    }

    private static String signed(int n) {
        return (n < 0 ? MINUS : "+") + "\u00a0" + Math.abs(n);
    }

    private static String names(PlanDifference d) {
        List<String> out = new ArrayList<>();
        if (!d.added().isEmpty()) {
            out.add(some(d.added()));
        }
        if (!d.gone().isEmpty()) {
            out.add(Words.of("differs.without", some(d.gone())));
        }
        if (out.isEmpty() && !d.changed().isEmpty()) {
            out.add(d.changed().stream().limit(NAMED).map(c -> PlanWords.name(c.after()) + " (" + parts(c) + ")")
                    .collect(Collectors.joining(", ")));
        }
        d.raised().stream().limit(1).map(PlanWords::conflict).forEach(out::add);
        return String.join("; ", out);
    }

    private static String some(List<PlateNeed> of) {
        String names = of.stream().limit(NAMED).map(PlanWords::name).collect(Collectors.joining(", "));
        return of.size() > NAMED ? names + ", " + Words.of("differs.more", of.size() - NAMED) : names;
    }

    private static String parts(PlanDifference.Changed c) {
        return c.parts().stream().map(p -> Words.of("differs.part." + p)).collect(Collectors.joining(", "));
    }

    /// Everything that differs, one line each, with a mark before it: `+`, `−`, or `~`.
    public static List<Line> lines(PlanDifference d) {
        List<Line> out = new ArrayList<>();
        d.added().forEach(n -> out.add(new Line("+", PlanWords.name(n), PlanWords.roll(n))));
        d.gone().forEach(n -> out.add(new Line(MINUS, PlanWords.name(n), PlanWords.roll(n))));
        d.changed().forEach(c -> out.add(new Line("~", PlanWords.name(c.after()), parts(c))));
        d.raised().forEach(c -> out.add(new Line("+", PlanWords.conflict(c), PlanWords.remedy(c))));
        d.settled().forEach(c -> out.add(new Line(MINUS, PlanWords.conflict(c), Words.of("differs.settled"))));
        d.figures().forEach(n -> {
            String before = n.before().map(f -> PlanWords.figure(f).value()).orElse(Words.of("differs.nothing"));
            String after = n.after().map(f -> PlanWords.figure(f).value()).orElse(Words.of("differs.nothing"));
            out.add(new Line("~", PlanWords.figure(n.after().or(n::before).orElseThrow()).name(), Words.of("differs.from", before, after)));
        });
        d.brought().forEach(k -> out.add(new Line("+", Words.of("differs.kit", PlanWords.kit(k)), "")));
        d.left().forEach(k -> out.add(new Line(MINUS, Words.of("differs.kit", PlanWords.kit(k)), "")));
        return out;
    }

    /// One thing that differs.
    public record Line(String mark, String what, String more) {}

    /// "Does it move? it drifts; if it stays still, this plate is not needed".
    public static String cause(Influence.Cause c) {
        return Words.of(c.told() ? "cause.told" : "cause.assumed", PlanWords.question(c.fact()), answers(c, c.answer()),
                answers(c, c.other()));
    }

    private static String answers(Influence.Cause c, String answer) {
        return List.of(answer.strip().split("\\s+")).stream().map(a -> PlanWords.answer(c.fact(), a)).collect(Collectors.joining(" and "));
    }
}
