package org.scenothesis.production.words;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.day.Change;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.Job;
import org.scenothesis.core.breakdown.day.LightWindow;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.Method;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// The words of a breakdown: plates with their reasons, questions, figures, conflicts, changes.
public final class PlanWords {
    private static final String HOME = "A";

    private PlanWords() {}

    public static String illusion(Illusion w) {
        String turn = "illusion." + w.kind().name() + "." + w.fact(Fact.TURN.key(), "");
        return w.subject() + " " + Words.of(w.kind() == IllusionKind.BECOMES && Words.has(turn) ? turn : "illusion." + w.kind().name());
    }

    public static String question(Fact f) {
        return Words.of("ask." + f.key());
    }

    /// An answer in words; some answers read differently under different questions.
    public static String answer(Fact f, String answer) {
        String own = "answer." + f.key() + "." + answer;
        return Words.has(own) ? Words.of(own) : Words.of("answer." + answer);
    }

    /// "The lantern, on screen", "Card and ruler, camera B".
    public static String name(PlateNeed n) {
        String role = Words.of("name." + n.role().name());
        String special = "name." + n.code();
        if (Words.has(special)) {
            return capital(Words.of(special, n.about().isEmpty() ? "it" : n.about(), n.lockGroup()));
        }
        if (!n.about().isEmpty()) {
            return capital(n.about()) + ", " + Words.of("role.short." + n.role().name());
        }
        return n.lockGroup().equals(HOME) ? role : role + ", camera " + n.lockGroup();
    }

    public static String name(Job j) {
        return name(j.need()) + part(j);
    }

    /// ", before the action" for one end of a clean plate; nothing for a whole one.
    public static String part(Job j) {
        return j.part() == Job.Part.WHOLE ? "" : Words.of("part." + j.part().name());
    }

    public static String capital(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    /// Why a plate is needed, every reason it has: for a separated thing also why it must be.
    public static String why(BreakdownPlan plan, PlateNeed n) {
        Set<String> out = new LinkedHashSet<>();
        for (Reason r : n.reasons()) {
            if (r == Reason.THING) {
                plan.treatments().stream().filter(t -> t.thing().equalsIgnoreCase(n.about())).findFirst()
                        .ifPresent(t -> out.add(Words.of("because." + t.because().code())));
            }
            out.add(nearest("why.", n.code(r)));
        }
        return String.join(" ", out);
    }

    public static String skip(PlateNeed n) {
        return nearest("skip.", n.code());
    }

    /// The words of a code, or of the longest beginning of it that has some.
    private static String nearest(String prefix, String code) {
        String c = code;
        while (!Words.has(prefix + c) && c.contains(".")) {
            c = c.substring(0, c.lastIndexOf('.'));
        }
        return Words.of(prefix + c);
    }

    public static String item(Item i) {
        return i.coded() ? Words.of("item." + i.name()) : i.name();
    }

    public static String items(Set<Item> items) {
        return items.stream().map(PlanWords::item).distinct().collect(Collectors.joining(", "));
    }

    public static String screen(Screen s) {
        return s == Screen.NONE ? "" : s.name().toLowerCase(Locale.ROOT);
    }

    /// "6.0 s, 3 takes", "a still".
    public static String roll(PlateNeed n) {
        String takes = n.length().takes() > 1 ? ", " + n.length().takes() + " takes" : "";
        String length = n.rollSeconds() == 0 ? Words.of("roll.still") : Words.number(n.rollSeconds(), 1) + " s";
        return (n.role() == PlateRole.STILLS ? Words.of("roll.photographs") : length) + takes;
    }

    /// "0:02.0 the lantern, up 12°".
    public static String eyeline(Eyeline e) {
        String way = Math.abs(e.upDeg()) < 0.5 ? Words.of("eyeline.level") : Words.of(e.upDeg() > 0 ? "eyeline.up" : "eyeline.down",
                Words.number(Math.abs(e.upDeg()), 0));
        return Words.of("eyeline", Words.time(e.seconds()), e.at(), way, Words.number(e.heightM(), 2));
    }

    /// All that is to be minded while a plate is rolled, one line each.
    public static List<String> notes(PlateNeed n) {
        List<String> out = new ArrayList<>();
        line(out, "note.in", items(n.in()));
        line(out, "note.out", items(n.out()));
        if (n.screen() != Screen.NONE) {
            String region = n.region().widthShare() > 0
                    ? Words.of("note.region", Words.number(100 * n.region().widthShare(), 0),
                    Words.number(100 * n.region().heightShare(), 0))
                    : "";
            out.add(Words.of("note.screen", screen(n.screen())) + region);
        }
        line(out, "note.focus", n.notes().focus().isEmpty() ? "" : Words.of("focus." + n.notes().focus()));
        line(out, "note.eyelines", n.notes().eyelines().stream().map(PlanWords::eyeline).collect(Collectors.joining("; ")));
        line(out, "note.positions", coded("position.", n.notes().positions()));
        line(out, "note.record", coded("record.", n.notes().record()));
        line(out, "note.sound", coded("sound.", n.notes().sound()));
        line(out, "note.written", String.join("; ", n.notes().written()));
        line(out, "note.clothes", n.notes().clothes().isEmpty() ? "" : Words.of("clothes." + n.notes().clothes()));
        return out;
    }

    private static void line(List<String> to, String key, String words) {
        if (!words.isEmpty()) {
            to.add(Words.of(key, words));
        }
    }

    private static String coded(String prefix, List<String> codes) {
        return codes.stream().map(c -> Words.of(prefix + c)).collect(Collectors.joining(", "));
    }

    public static String kit(KitItem k) {
        String words = Words.of("kit." + k.code());
        return k.count() == 1 ? words : k.count() + " " + words;
    }

    public static String method(Method m) {
        return Words.of("method." + m.way().code());
    }

    public static String assumed(Method m) {
        return Words.of("method.assumed", m.keyframes(), Words.number(m.minutesEach(), m.minutesEach() == Math.rint(m.minutesEach()) ? 0
                : 1));
    }

    public static String risks(Method m) {
        return m.risks().stream().map(r -> Words.of("risk." + r)).collect(Collectors.joining(" "));
    }

    /// Name, value with unit, and how it comes about.
    public record Told(String name, String value, String how) {}

    public static Told figure(Figure f) {
        Object[] args = arguments(f.about(), f.more());
        return new Told(Words.of("figure." + f.code(), args), value(f), Words.of("figure." + f.code() + ".how", args));
    }

    private static String value(Figure f) {
        boolean whole = f.unit().isEmpty() || f.unit().equals("%") || Math.abs(f.value()) >= 100;
        return (whole ? Words.number(f.value(), 0) : figures(f.value())) + (f.unit().isEmpty() ? "" : f.unit().equals("\u00d7")
                ? "\u00a0\u00d7" : "\u00a0" + f.unit());
    }

    private static String figures(double v) {
        return Words.number(v, v == Math.rint(v) ? 0 : Math.abs(v) < 10 ? 2 : 1);
    }

    private static Object[] arguments(String about, List<Double> numbers) {
        Object[] out = new Object[numbers.size() + 1];
        out[0] = about;
        for (int i = 0; i < numbers.size(); i++) {
            out[i + 1] = figures(numbers.get(i));
        }
        return out;
    }

    public static String conflict(Conflict c) {
        return capital(Words.of("conflict." + c.code(), arguments(c.about(), c.numbers())));
    }

    public static String remedy(Conflict c) {
        return Words.of("conflict." + c.code() + ".remedy", arguments(c.about(), c.numbers()));
    }

    public static String change(Change c) {
        return Words.of("change." + c.kind().code()) + ", " + Words.number(c.minutes(), 0) + "\u00a0min";
    }

    public static String changes(List<Change> changes) {
        return changes.stream().map(PlanWords::change).collect(Collectors.joining("; "));
    }

    public static String broken(RunningOrder.Broken b) {
        return Words.of("broken." + b.kind().code(), name(b.job()), name(b.other()));
    }

    /// "07:35" of minutes after midnight; past midnight the clock goes on.
    public static String clock(double minutes) {
        int m = (int) Math.round(minutes);
        return String.format(Locale.ENGLISH, "%02d:%02d", m / 60 % 24, m % 60);
    }

    /// Whose clock the times of a day are: the place's, or of this computer for want of a place.
    public static String zone(DayPlan day) {
        return day.zone().map(z -> Words.of("clock.day", z.getId()))
                .orElseGet(() -> Words.of("clock.COMPUTER", ZoneId.systemDefault().getId()));
    }

    public static String light(LightWindow w) {
        return w.trouble() == null ? "" : Words.of("light." + w.trouble().code(), Double.isNaN(w.turnDeg()) ? ""
                : Words.number(w.turnDeg(), 0) + "\u00b0");
    }
}
