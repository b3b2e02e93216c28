package org.scenothesis.production.paper;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.sketch.PlateSketch;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.CardWords;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;

/// Paper for walls and hands: the day on one page, to be read from two metres, and a slip for every plate, four to a page.
///
/// Names here are the names in `day.ftlh` and `slips.ftlh`.
final class Sheets {
    /// Letters that are read from two metres, and those below which a larger paper is taken.
    static final double LARGE_PT = 20;
    static final double SMALL_PT = 12;
    static final double LEAST_PT = 4;
    private static final int ON_A_PAGE = 4;
    private static final int DRAWN = 322;
    private static final int TICKS = 12;
    /// Letters of notes that fit at their full size.
    private static final int ROOMY = 330;

    private final DayPlan day;
    private final BookModel book;

    Sheets(DayPlan day) {
        this.day = day;
        book = new BookModel(day);
    }

    /// What the day sheet is filled with, in letters of a size.
    Map<String, Object> day(String paper, double pt) {
        Map<String, Object> m = new LinkedHashMap<>(book.head());
        m.put("paper", paper);
        m.put("pt", pt);
        m.put("shots", day.plans().size());
        m.put("rows", day.order().steps().stream().map(s -> row(s, (int) Math.ceil(pt))).toList());
        m.put("cards", cards());
        m.put("cautions", day.plans().values().stream().flatMap(p -> p.cautions().stream()).map(c -> first(Words.of("caution." + c.code())))
                .distinct().toList());
        m.put("local", Words.of("caution.local"));
        return m;
    }

    private Map<String, Object> row(RunningOrder.Step s, int markPx) {
        PlateNeed n = s.need();
        return Map.of(
                "at", PlanWords.clock(day.clock(s)), "mark", book.mark(s.job().shot(), n, markPx), "shot", s.job().shot(), "name",
                book.name(s.job().shot(), n) + PlanWords.part(s.job()), "camera", n.lockGroup(),
                "roll", PlanWords.roll(n), "who", who(n));
    }

    private static String who(PlateNeed n) {
        return n.in().stream().filter(i -> i.sort() == Item.Sort.PERSON).map(PlanWords::item).distinct().collect(Collectors.joining(", "));
    }

    private List<Map<String, Object>> cards() {
        List<Map<String, Object>> out = new ArrayList<>();
        boolean several = day.plans().size() > 1;
        day.plans().forEach((shot, plan) -> plan.cards()
                .forEach(c -> out.add(Map.of("name", several ? CardWords.name(c) + ", shot " + shot + "." : CardWords.name(c) + ".",
                "words", CardWords.brief(c)))));
        return out;
    }

    private static String first(String words) {
        int dot = words.indexOf(". ");
        return dot < 0 ? words : words.substring(0, dot + 1);
    }

    /// What the plate slips are filled with: one for every plate that is rolled, in the order of the day.
    Map<String, Object> slips() {
        List<Map<String, Object>> all = new ArrayList<>();
        Set<String> seen = new LinkedHashSet<>();
        for (RunningOrder.Step s : day.order().steps()) {
            if (seen.add(s.job().shot() + "/" + s.need().key())) {
                all.add(slip(s));
            }
        }
        List<List<Map<String, Object>>> pages = new ArrayList<>();
        for (int i = 0; i < all.size(); i += ON_A_PAGE) {
            pages.add(all.subList(i, Math.min(all.size(), i + ON_A_PAGE)));
        }
        Map<String, Object> m = new LinkedHashMap<>(book.head());
        m.put("pages", pages);
        return m;
    }

    private Map<String, Object> slip(RunningOrder.Step s) {
        PlateNeed n = s.need();
        Shot shot = day.production().shot(s.job().shot());
        BreakdownPlan plan = day.plan(shot.id());
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("mark", book.mark(shot.id(), n, 26));
        m.put("name", book.name(shot.id(), n));
        m.put("at", PlanWords.clock(day.clock(s)));
        m.put("shot", shot.id());
        m.put("camera", n.lockGroup());
        m.put("drawing", Svg.panel(PlateSketch.of(shot, n), DRAWN));
        m.put("role", PlanWords.capital(Words.of("role." + n.role().name())));
        m.put("roll", PlanWords.roll(n));
        m.put("takes", Math.min(TICKS, n.length().takes()));
        List<String> notes = PlanWords.notes(n);
        m.put("notes", notes);
        m.put("long", notes.stream().mapToInt(String::length).sum() > ROOMY);
        m.put("card", plan.cards().stream().filter((CameraCard c) -> c.plates().contains(n.key())).findFirst().map(CardWords::brief)
                .orElse(""));
        return m;
    }
}
