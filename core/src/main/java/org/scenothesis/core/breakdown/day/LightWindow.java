package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Location;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.value.Coded;

/// When the plates of one sunlit light group are rolled, how far the sun turns meanwhile, and what that is worth.
///
/// - `from`, `to`: minutes after midnight from the first roll to the end of the last. `turnDeg`: how far the sun turns, judged by the
///   house's limit of key direction.
/// - `holdsUntil`: until when plates of the group could be added without leaving the limit. `best`: when the same work would turn least, if
///   it fits in the sun at all.
/// - `trouble`: why it cannot be judged or is bad; null where it holds.
public record LightWindow(String light, List<Job> jobs, double from, double to, double turnDeg, double holdsUntil, Optional<Integer> best,
        Verdict verdict, @Nullable Trouble trouble) {
    /// `light.<code>` are the words; `PLACE`: no place or date given.
    public enum Trouble implements Coded {SHADE, NIGHT, PLACE, TURN}

    public LightWindow {
        jobs = List.copyOf(jobs);
    }

    /// Windows of all sunlit groups of an order that begins when the production's call and preparation are over.
    public static List<LightWindow> of(RunningOrder order, Production p) {
        double begin = begin(p);
        Map<String, List<RunningOrder.Step>> groups = new LinkedHashMap<>();
        for (RunningOrder.Step s : order.steps()) {
            if (s.job().sun() && !s.job().light().isEmpty()) {
                groups.computeIfAbsent(s.job().light(), k -> new ArrayList<>()).add(s);
            }
        }
        Map<Location, LightDay> days = new LinkedHashMap<>();
        return groups.entrySet().stream().map(e -> {
            Optional<Location> place = p.shot(e.getValue().getFirst().job().shot()).setting().inTheOpen();
            Optional<LightDay> day = place.flatMap(x -> p.day().day().map(d -> days.computeIfAbsent(x, y -> LightDay.of(y, d))));
            return of(e.getKey(), e.getValue(), begin, day, p.houseRules());
        }).toList();
    }

    /// Minutes after midnight at which the first change begins.
    public static double begin(Production p) {
        return p.day().call().toSecondOfDay() / 60.0 + p.day().prepareMinutes();
    }

    private static LightWindow of(String light, List<RunningOrder.Step> steps, double begin, Optional<LightDay> day, HouseRules rules) {
        List<Job> jobs = steps.stream().map(RunningOrder.Step::job).toList();
        double from = begin + steps.getFirst().rollsAt();
        double to = begin + steps.getLast().rollsAt() + steps.getLast().job().minutes();
        if (day.isEmpty()) {
            return new LightWindow(light, jobs, from, to, Double.NaN, from, Optional.empty(), Verdict.NOT_MEASURED, Trouble.PLACE);
        }
        LightDay d = day.get();
        double turn = d.turn(from, to);
        double until = d.holdsUntil(from, rules.limit(Measure.KEY_DIRECTION).holds());
        Verdict v = rules.limit(Measure.KEY_DIRECTION).judge(turn);
        Trouble trouble = v == Verdict.HOLDS ? null : Trouble.TURN;
        if (!d.shines(from, to)) {
            boolean night = d.sky(from) == LightDay.Sky.NIGHT || d.sky(to) == LightDay.Sky.NIGHT;
            v = Verdict.REDO;
            trouble = night ? Trouble.NIGHT : Trouble.SHADE;
        }
        return new LightWindow(light, jobs, from, to, turn, until, d.best(to - from), v, trouble);
    }
}
