package org.scenothesis.production.paper;

import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.compare.PlanDifference;
import org.scenothesis.core.breakdown.day.Change;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.LightWindow;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.Method;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.number.CrowdTable;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.CardWords;
import org.scenothesis.production.words.DifferenceWords;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;

/// A plan as JSON: codes for machines, words for people, numbers with their unit in the name.
public final class PlanTree {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private PlanTree() {}

    /// The plates of one shot and the order of its own jobs within the day.
    public static ObjectNode of(DayPlan day, Shot shot) {
        BreakdownPlan plan = day.plan(shot.id());
        ObjectNode o = MAPPER.createObjectNode();
        o.put("shot", shot.id());
        o.put("title", shot.title());
        ArrayNode plates = o.putArray("plates");
        plan.needs().forEach(n -> plates.add(plate(plan, n)));
        ArrayNode declined = o.putArray("declined");
        plan.declined().forEach(n -> declined.add(plate(plan, n)));
        ArrayNode ways = o.putArray("methods");
        plan.treatments().forEach(t -> ways.add(treatment(t)));
        ArrayNode figures = o.putArray("numbers");
        plan.figures().forEach(f -> figures.add(figure(f)));
        ArrayNode conflicts = o.putArray("conflicts");
        plan.conflicts().forEach(c -> conflicts.add(conflict(c)));
        ArrayNode cautions = o.putArray("cautions");
        plan.cautions().forEach(c -> cautions.add(caution(day, shot.id(), c)));
        ArrayNode crowds = o.putArray("crowds");
        plan.crowds().forEach(t -> crowds.add(crowd(t)));
        ArrayNode cards = o.putArray("camera_cards");
        plan.cards().forEach(c -> cards.add(card(plan, c)));
        o.set("kit", kit(plan.kit()));
        o.put("hand_hours", round(plan.handHours()));
        return o;
    }

    /// All shots, and what concerns the whole day.
    public static ObjectNode of(DayPlan day) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("production", day.production().title());
        ArrayNode shots = o.putArray("shots");
        day.production().shots().forEach(s -> shots.add(of(day, s)));
        o.set("day", dayOnly(day));
        return o;
    }

    public static ObjectNode dayOnly(DayPlan day) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("call", day.production().day().callTime());
        o.put("clock", PlanWords.zone(day));
        o.put("ends", PlanWords.clock(day.ends()));
        o.put("minutes", round(day.order().minutes()));
        o.put("change_minutes", round(day.order().changeMinutes()));
        o.put("cheapest_minutes", round(day.cheapest().minutes()));
        o.put("cheapest_is_exact", day.cheapest().exact());
        o.put("own_order", day.own());
        ObjectNode calls = o.putObject("calls");
        day.calls().forEach((who, at) -> calls.put(PlanWords.item(who), PlanWords.clock(at)));
        ArrayNode steps = o.putArray("order");
        day.order().steps().forEach(s -> steps.add(step(day, s)));
        ArrayNode broken = o.putArray("broken");
        day.order().broken().forEach(b -> broken.add(PlanWords.broken(b)));
        ArrayNode light = o.putArray("light");
        day.windows().forEach(w -> light.add(window(w)));
        o.set("kit", kit(day.kit()));
        ArrayNode permissions = o.putArray("permissions");
        day.permissions().forEach(p -> permissions.add(permission(p)));
        return o;
    }

    private static ObjectNode plate(BreakdownPlan plan, PlateNeed n) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("key", n.key().code());
        o.put("role", lower(n.role()));
        o.put("name", PlanWords.name(n));
        o.put("why", PlanWords.why(plan, n));
        strings(o, "reasons", n.reasons().stream().map(n::code).toList());
        o.put("if_skipped", PlanWords.skip(n));
        o.put("proposed", n.proposed());
        o.put("lock_group", n.lockGroup());
        o.put("light_group", n.lightGroup());
        o.put("screen", lower(n.screen()));
        if (n.region().widthShare() > 0) {
            ObjectNode r = o.putObject("screen_region");
            r.put("width_share", round(n.region().widthShare()));
            r.put("height_share", round(n.region().heightShare()));
            r.put("cloth_wide_m", round(n.region().clothWideM()));
            r.put("cloth_high_m", round(n.region().clothHighM()));
            r.put("cloth_top_m", round(n.region().cloth().topM()));
            r.put("floor_cloth_m", round(n.region().cloth().floorM()));
        }
        o.put("roll_s", round(n.rollSeconds()));
        o.put("takes", n.length().takes());
        o.put("minutes", round(n.rollMinutes()));
        strings(o, "in_frame", n.in().stream().map(PlanWords::item).toList());
        strings(o, "out_of_frame", n.out().stream().map(PlanWords::item).toList());
        o.put("focus", n.notes().focus().isEmpty() ? "" : Words.of("focus." + n.notes().focus()));
        ArrayNode eyes = o.putArray("eyelines");
        for (Eyeline e : n.notes().eyelines()) {
            ObjectNode at = eyes.addObject();
            at.put("who", e.who());
            at.put("at", e.at());
            at.put("seconds", round(e.seconds()));
            at.put("mark_m", round(e.heightM()));
            at.put("up_deg", round(e.upDeg()));
            at.put("away_m", round(e.distanceM()));
        }
        coded(o, "positions", "position.", n.notes().positions());
        coded(o, "record", "record.", n.notes().record());
        coded(o, "sound", "sound.", n.notes().sound());
        strings(o, "written", n.notes().written());
        keys(o, "after", n.after());
        strings(o, "serves", List.copyOf(n.illusions()));
        return o;
    }

    /// What two plans differ in.
    public static ObjectNode of(PlanDifference d) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("words", DifferenceWords.brief(d));
        o.put("minutes", round(d.minutes()));
        o.put("hand_hours", round(d.handHours()));
        keys(o, "added", d.added().stream().map(PlateNeed::key).toList());
        keys(o, "gone", d.gone().stream().map(PlateNeed::key).toList());
        keys(o, "changed", d.changed().stream().map(c -> c.after().key()).toList());
        strings(o, "conflicts_raised", d.raised().stream().map(Conflict::code).toList());
        strings(o, "conflicts_settled", d.settled().stream().map(Conflict::code).toList());
        ArrayNode lines = o.putArray("lines");
        DifferenceWords.lines(d).forEach(l -> lines.addObject().put("mark", l.mark()).put("what", l.what()).put("more", l.more()));
        return o;
    }

    private static ObjectNode crowd(CrowdTable t) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("about", t.about());
        o.put("performances", t.performances());
        ArrayNode rows = o.putArray("places");
        for (CrowdTable.Row r : t.rows()) {
            rows.addObject().put("place", r.place()).put("performance", r.performance()).put("row", r.row()).put("third", lower(r.third()))
                    .put("direction", r.direction())
                    .put("mark", r.mark()).put("repeat", r.repeat());
        }
        return o;
    }

    private static ObjectNode card(BreakdownPlan plan, CameraCard c) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("lock_group", c.group());
        keys(o, "plates", c.plates());
        o.put("lens_m", round(c.lensM()));
        o.put("away_m", round(c.awayM()));
        o.put("focal_mm", round(c.focalMm()));
        o.put("f_number", round(c.fNumber()));
        o.put("sharp_from_m", round(c.nearM()));
        if (Double.isFinite(c.farM())) {
            o.put("sharp_to_m", round(c.farM()));
        }
        if (c.clothBlurPx() > 0) {
            o.put("cloth_blur_px", round(c.clothBlurPx()));
        }
        if (c.whiteK() > 0) {
            o.put("white_k", round(c.whiteK()));
        }
        o.put("leads", code(c.leads()));
        o.put("outline", code(c.outline()));
        strings(o, "assumed", c.assumed().stream().map(Fact::key).toList());
        strings(o, "words", CardWords.lines(plan, c));
        return o;
    }

    private static ObjectNode treatment(Treatment t) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("thing", t.thing());
        o.put("way", lower(t.way()));
        o.put("because", Words.of("because." + t.because().code()));
        o.put("own_choice", t.overridden());
        ArrayNode ways = o.putArray("ways");
        for (Method m : t.methods()) {
            ObjectNode w = ways.addObject();
            w.put("way", lower(m.way()));
            w.put("set_minutes", round(m.setMinutes()));
            w.put("hand_hours", round(m.handHours()));
            w.put("hand_frames", m.keyframes());
            w.put("minutes_each", round(m.minutesEach()));
            w.put("risks", PlanWords.risks(m));
            w.put("recommended", m.recommended());
            w.put("chosen", m.chosen());
        }
        return o;
    }

    private static ObjectNode figure(Figure f) {
        PlanWords.Told t = PlanWords.figure(f);
        ObjectNode o = MAPPER.createObjectNode();
        o.put("code", f.code());
        o.put("about", f.about());
        o.put("value", round(f.value()));
        o.put("unit", f.unit());
        o.put("verdict", Words.verdict(f.verdict()));
        o.put("words", t.name() + " " + t.value());
        o.put("how", t.how());
        return o;
    }

    private static ObjectNode conflict(Conflict c) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("code", c.code());
        o.put("verdict", Words.verdict(c.weight()));
        o.put("meaning", PlanWords.conflict(c));
        o.put("remedy", PlanWords.remedy(c));
        o.put("wonder", c.illusion());
        return o;
    }

    private static ObjectNode caution(DayPlan day, String shot, BreakdownPlan.Caution c) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("code", c.code());
        o.put("words", Words.of("caution." + c.code()) + " " + Words.of("caution.local"));
        o.put("acknowledged", day.production().day().acknowledged().contains(shot + "/" + c.code()));
        strings(o, "because_of", c.illusions());
        return o;
    }

    private static ObjectNode step(DayPlan day, RunningOrder.Step s) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("job", s.job().id());
        o.put("shot", s.job().shot());
        o.put("name", PlanWords.name(s.job()));
        o.put("rolls_at", PlanWords.clock(day.clock(s)));
        o.put("change_minutes", round(s.changeMinutes()));
        ArrayNode changes = o.putArray("changes");
        for (Change c : s.changes()) {
            changes.add(PlanWords.change(c));
        }
        o.put("minutes", round(s.job().minutes()));
        return o;
    }

    private static ObjectNode window(LightWindow w) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("light_group", w.light());
        o.put("from", PlanWords.clock(w.from()));
        o.put("to", PlanWords.clock(w.to()));
        if (Double.isFinite(w.turnDeg())) {
            o.put("sun_turns_deg", round(w.turnDeg()));
            o.put("holds_until", PlanWords.clock(w.holdsUntil()));
        }
        w.best().ifPresent(b -> o.put("best_start", PlanWords.clock(b)));
        o.put("verdict", Words.verdict(w.verdict()));
        o.put("meaning", PlanWords.light(w));
        return o;
    }

    private static ObjectNode permission(Permission p) {
        ObjectNode o = MAPPER.valueToTree(p);
        o.put("complete", p.complete());
        return o;
    }

    private static ArrayNode kit(List<KitItem> kit) {
        ArrayNode a = MAPPER.createArrayNode();
        kit.forEach(k -> a.addObject().put("code", k.code()).put("count", k.count()).put("words", PlanWords.kit(k)));
        return a;
    }

    private static String code(@Nullable PlateKey key) {
        return key == null ? "" : key.code();
    }

    private static void keys(ObjectNode o, String name, Collection<PlateKey> keys) {
        strings(o, name, keys.stream().map(PlateKey::code).toList());
    }

    private static void strings(ObjectNode o, String name, List<String> values) {
        ArrayNode a = o.putArray(name);
        values.forEach(a::add);
    }

    private static void coded(ObjectNode o, String name, String prefix, List<String> codes) {
        strings(o, name, codes.stream().map(c -> Words.of(prefix + c)).toList());
    }

    private static String lower(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT);
    }

    private static double round(double v) {
        return Math.round(v * 1e4) / 1e4;
    }
}
