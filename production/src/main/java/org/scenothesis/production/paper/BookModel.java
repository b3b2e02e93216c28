package org.scenothesis.production.paper;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.LightDay;
import org.scenothesis.core.breakdown.day.LightWindow;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.method.Method;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.sketch.PlateSketch;
import org.scenothesis.core.breakdown.sketch.Sketch;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.words.CardWords;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;

/// What the book's template is filled with: words, and drawings as SVG. Names here are the names in `book.ftlh`.
final class BookModel {
    private final DayPlan day;
    private final Map<String, Spike> spikes = new LinkedHashMap<>();
    /// What the crew calls the plates that are on the shelf.
    private final Map<String, String> names = new LinkedHashMap<>();

    BookModel(DayPlan day) {
        this.day = day;
        for (Shot s : day.production().shots()) {
            Map<PlateKey, Plate> have = Breakdown.matched(s, day.plan(s.id()));
            have.forEach((need, plate) -> names.put(s.id() + "/" + need, plate.name()));
            int i = 0;
            for (PlateNeed n : day.plan(s.id()).needs()) {
                spikes.put(s.id() + "/" + n.key(), have.containsKey(n.key()) ? have.get(n.key()).spike() : Spike.number(i));
                i++;
            }
        }
    }

    /// What heads every paper of the day.
    Map<String, Object> head() {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("title", day.production().title());
        m.put("date", day.production().day().date());
        m.put("call", day.production().day().callTime());
        m.put("first", day.order().steps().isEmpty() ? "" : PlanWords.clock(day.clock(day.order().steps().getFirst()) - day.order().steps()
                .getFirst().changeMinutes()));
        m.put("zone", PlanWords.zone(day));
        m.put("ends", PlanWords.clock(day.ends()));
        m.put("calls", day.calls().entrySet().stream()
                .map(e -> Map.of("who", PlanWords.capital(PlanWords.item(e.getKey())), "at", PlanWords.clock(e.getValue()))).toList());
        return m;
    }

    Map<String, Object> all() {
        Map<String, Object> m = new LinkedHashMap<>(head());
        m.put("plates", day.plans().values().stream().mapToInt(p -> p.needs().size()).sum());
        m.put("minutes", Words.number(day.order().minutes(), 0));
        m.put("changeMinutes", Words.number(day.order().changeMinutes(), 0));
        m.put("own", day.own() ? Words.number(day.extraMinutes(), 0) : "");
        m.put("broken", day.order().broken().stream().map(PlanWords::broken).toList());
        m.put("order", day.order().steps().stream().map(this::step).toList());
        m.put("sky", sky());
        m.put("windows", day.windows().stream().map(BookModel::window).toList());
        m.put("kit", day.kit().stream().map(PlanWords::kit).toList());
        m.put("cautions", cautions());
        m.put("local", Words.of("caution.local"));
        m.put("permissions", day.permissions().stream().map(BookModel::permission).toList());
        m.put("schools", approaches());
        m.put("shots", day.production().shots().stream().filter(s -> !s.illusions().isEmpty()).map(this::shot).toList());
        return m;
    }

    private Map<String, Object> step(RunningOrder.Step s) {
        return Map.of(
                "at", PlanWords.clock(day.clock(s)), "mark", mark(s.job().shot(), s.need(), 13), "shot", s.job().shot(), "name",
                name(s.job().shot(), s.need()) + PlanWords.part(s.job()), "roll",
                PlanWords.roll(s.need()), "changes", PlanWords.changes(s.changes()), "change", s.changeMinutes() > 0
                ? Words.number(s.changeMinutes(), 0) : "");
    }

    /// What the crew calls a plate.
    String name(String shot, PlateNeed n) {
        return names.getOrDefault(shot + "/" + n.key(), PlanWords.name(n));
    }

    /// A plate's tape mark.
    String mark(String shot, PlateNeed n, int size) {
        return Svg.mark(spikes.getOrDefault(shot + "/" + n.key(), Spike.T), size);
    }

    private String sky() {
        return day.production().shots().stream().flatMap(s -> s.setting().inTheOpen().stream()).findFirst()
                .flatMap(p -> day.production().day().day().map(d -> Svg.light(LightDay.of(p, d), day, 640))).orElse("");
    }

    private static Map<String, Object> window(LightWindow w) {
        String best = w.best().map(m -> " It turns least from " + PlanWords.clock(m) + ".").orElse("");
        return Map.of(
                "light", w.light(), "from", PlanWords.clock(w.from()), "to", PlanWords.clock(w.to()), "verdict",
                Words.verdict(w.verdict()), "words", PlanWords.light(w) + best);
    }

    /// Every caution of the day once, with the shots it belongs to, and whether it was read.
    private List<Map<String, Object>> cautions() {
        Map<String, List<String>> shots = new LinkedHashMap<>();
        day.plans().forEach((shot, plan) -> plan.cautions().forEach(c -> shots.computeIfAbsent(c.code(), k -> new ArrayList<>())
                .add(shot)));
        List<Map<String, Object>> out = new ArrayList<>();
        shots.forEach((code, of) -> out.add(Map.of(
                "words", Words.of("caution." + code), "shots", String.join(", ", of), "read",
                of.stream().allMatch(s -> day.production().day().acknowledged().contains(s + "/" + code)))));
        return out;
    }

    private static Map<String, Object> permission(Permission p) {
        return Map.of(
                "use", Words.has("permission." + p.use()) ? Words.of("permission." + p.use()) + ", shot " + p.id().replaceAll("/.*", "")
                : p.use(), "source", p.source(), "holder",
                p.holder(), "licence", p.licence(), "proof", p.proof(), "complete", p.complete());
    }

    private List<Map<String, Object>> approaches() {
        List<Map<String, Object>> out = new ArrayList<>();
        for (Approach s : Approach.values()) {
            String way = day.production().houseRules().approach(s);
            out.add(Map.of("matter", Words.of("school." + s), "way", Words.of("school." + s + "." + way), "why",
                    Words.of("school." + s + "." + way + ".why")));
        }
        return out;
    }

    private Map<String, Object> shot(Shot s) {
        BreakdownPlan plan = day.plan(s.id());
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("number", String.valueOf(s.number()));
        m.put("title", s.title());
        m.put("story", s.story());
        m.put("seconds", Words.number(s.seconds(), 1));
        m.put("panels", panels(s));
        m.put("illusions", s.illusions().stream().map(w -> PlanWords.capital(PlanWords.illusion(w)) + ", " + Words.time(w.fromSeconds())
                + " to " + Words.time(w.toSeconds())).toList());
        m.put("conflicts", plan.conflicts().stream().map(c -> Map.of(
                "verdict", Words.verdict(c.weight()), "words", PlanWords.conflict(c), "remedy", PlanWords.remedy(c), "redo",
                c.weight() == Verdict.REDO)).toList());
        m.put("plates", plan.needs().stream().map(n -> plate(s, plan, n)).toList());
        m.put("declined", plan.declined().stream().map(n -> Map.of("name", PlanWords.name(n), "skip", PlanWords.skip(n))).toList());
        m.put("ways", plan.treatments().stream()
                .map(t -> Map.of("thing", PlanWords.capital(t.thing()), "methods", t.methods().stream().map(BookModel::method).toList()))
                .toList());
        m.put("cards", plan.cards().stream().map(c -> Map.of("name", CardWords.name(c), "lines", CardWords.lines(plan, c))).toList());
        m.put("crowds", plan.crowds().stream()
                .map(t -> Map.of("head", CardWords.crowd(t), "heads", CardWords.crowdHeads(), "rows", CardWords.crowdRows(t))).toList());
        m.put("figures", plan.figures().stream().map(BookModel::figure).toList());
        m.put("handHours", Words.number(plan.handHours(), 1));
        return m;
    }

    private static List<Map<String, Object>> panels(Shot s) {
        List<Beat> beats = new ArrayList<>(s.beats());
        if (beats.isEmpty() || beats.getFirst().seconds() > 0.05) {
            beats.addFirst(new Beat("begin", "it begins", 0));
        }
        return beats.stream().limit(10).map(b -> Map.<String, Object>of(
                "drawing", Svg.panel(Sketch.of(s, b.seconds()), 212), "at", Words.time(b.seconds()), "name", b.name())).toList();
    }

    private Map<String, Object> plate(Shot s, BreakdownPlan plan, PlateNeed n) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("mark", mark(s.id(), n, 13));
        m.put("drawing", Svg.panel(PlateSketch.of(s, n), 104));
        m.put("name", name(s.id(), n));
        m.put("role", Words.of("role." + n.role().name()));
        m.put("lock", n.lockGroup());
        m.put("light", n.lightGroup());
        m.put("roll", PlanWords.roll(n));
        m.put("proposed", n.proposed());
        m.put("why", PlanWords.why(plan, n));
        m.put("skip", PlanWords.skip(n));
        m.put("notes", PlanWords.notes(n));
        return m;
    }

    private static Map<String, Object> method(Method m) {
        return Map.of(
                "name", PlanWords.method(m), "set", Words.number(m.setMinutes(), 0), "hand", Words.number(m.handHours(), 1), "assumed",
                PlanWords.assumed(m), "risks",
                PlanWords.risks(m), "recommended", m.recommended(), "chosen", m.chosen());
    }

    private static Map<String, Object> figure(Figure f) {
        PlanWords.Told t = PlanWords.figure(f);
        return Map.of("name", t.name(), "value", t.value(), "how", t.how(), "verdict", f.verdict() == Verdict.NOT_MEASURED ? ""
                : Words.verdict(f.verdict()));
    }
}
