package org.scenothesis.production.stage;

import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.device.DeviceReading;
import org.scenothesis.core.rehearsal.device.InstrumentReading;
import org.scenothesis.core.rehearsal.device.Instruments;
import org.scenothesis.core.rehearsal.device.StandIns;
import org.scenothesis.core.rehearsal.staged.Prediction;
import org.scenothesis.core.rehearsal.staged.PredictionCheck;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Dimension;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.suggest.LampMatch;
import org.scenothesis.core.stage.suggest.Suggestion;
import org.scenothesis.core.value.Given;
import org.scenothesis.core.value.Kind;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;

/// Staged sets as a tree: cameras, pieces with where every number comes from, and findings.
public final class StageTree {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final double ROUND = 1e4;

    private StageTree() {}

    /// Every set-up of a shot, each with what is known of all its plates.
    public static ArrayNode setUps(List<Staged> all) {
        ArrayNode out = MAPPER.createArrayNode();
        for (Staged s : all) {
            ObjectNode o = out.addObject();
            o.put("camera_group", s.group()).put("name", s.setUp().name()).put("by_hand", s.byHand());
            o.set("camera", camera(s.stage()));
            o.set("around", around(s.stage().floor().around()));
            ArrayNode plates = o.putArray("plates");
            s.needs().stream().map(n -> n.key().code()).forEach(plates::add);
            ArrayNode pieces = o.putArray("pieces");
            s.stage().floor().pieces().forEach(p -> pieces.add(piece(p)));
        }
        return out;
    }

    /// Lamps put to light like the background's; what is not known is null.
    public static ObjectNode lamps(String group, LampMatch m) {
        ObjectNode o = MAPPER.createObjectNode().put("camera_group", group).put("black_cloth", m.black());
        ArrayNode all = o.putArray("lamps");
        for (LampMatch.Placed p : m.lamps()) {
            ObjectNode n = all.addObject().put("piece", p.lamp().id()).put("name", p.lamp().name())
                    .put("role", p.role().name().toLowerCase(Locale.ROOT));
            put(n, "away_m", p.awayM());
            put(n, "side_deg", p.sideDeg());
            put(n, "height_m", p.heightM());
            put(n, "size_m", p.sizeM());
            put(n, "dimmer", p.dimmer());
            put(n, "gel_mired", p.gelMired());
            put(n, "moved_m", p.movedM());
        }
        ArrayNode bare = o.putArray("rims_without_a_lamp");
        m.bare().forEach(r -> put(bare.addObject(), "side_deg", r.azimuthDeg()));
        ArrayNode left = o.putArray("left");
        m.left().forEach(p -> put(left.addObject().put("measure", p.finding().measure().name().toLowerCase(Locale.ROOT))
                .put("verdict", p.finding().verdict().name().toLowerCase(Locale.ROOT)), "value", p.finding().value()));
        return o;
    }

    private static void put(ObjectNode o, String name, double v) {
        if (Double.isFinite(v)) {
            o.put(name, round(v));
        } else {
            o.putNull(name);
        }
    }

    private static ObjectNode around(Given<Surroundings> g) {
        ObjectNode o = MAPPER.createObjectNode();
        if (g.value() instanceof Surroundings.Room r) {
            o.put("place", "room").put("left_m", round(r.leftM())).put("right_m", round(r.rightM())).put("near_m", round(r.nearM()))
                    .put("far_m", round(r.farM())).put("high_m", round(r.highM())).put("reflects", r.reflects());
        } else {
            o.put("place", "open air");
        }
        return o.put("origin", Words.origin(g));
    }

    private static double round(double v) {
        return Math.round(v * ROUND) / ROUND;
    }

    private static void number(ObjectNode o, String name, Given<Double> g) {
        o.putObject(name).put("value", round(g.value())).put("origin", Words.origin(g));
    }

    private static void place(ObjectNode o, Vec v) {
        o.putArray("at_m").add(round(v.x())).add(round(v.y())).add(round(v.z()));
    }

    /// Where a camera stands and what it is set to.
    public static ObjectNode camera(Stage s) {
        StageCamera c = s.camera();
        Floor f = s.floor();
        ObjectNode o = MAPPER.createObjectNode();
        place(o, c.position().value());
        o.put("at_origin", Words.origin(c.position()));
        StageCamera.Aim a = c.aim().value();
        o.put("pan_deg", round(a.panDeg())).put("tilt_deg", round(a.tiltDeg())).put("roll_deg", round(a.rollDeg()))
                .put("aim_origin", Words.origin(c.aim()));
        o.put("view_deg", round(Math.toDegrees(2 * Math.atan(0.5 / c.widthShareFocal().value()))))
                .put("focal_mm", round(f.lens().focalMm(c.widthShareFocal().value())))
                .put("view_origin", Words.origin(c.widthShareFocal()));
        number(o, "sensor_mm", f.lens().sensorMm());
        number(o, "f_number", f.lens().fNumber());
        number(o, "focus_m", f.lens().focusM());
        return o;
    }

    private static ObjectNode piece(Piece p) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("id", p.id()).put("name", p.name()).put("is", Kind.word(p.thing().getClass()));
        o.putArray("at_m").add(round(p.at().x())).add(round(p.at().z()));
        o.put("turn_deg", round(p.at().turnDeg())).put("origin", Words.origin(p.spot()));
        if (p.thing() instanceof Lamp l) {
            Vec aim = l.aim().value();
            o.putArray("aim_m").add(round(aim.x())).add(round(aim.y())).add(round(aim.z()));
            o.put("kind", l.kind().name().toLowerCase(Locale.ROOT));
        }
        for (Dimension d : p.thing().dimensions()) {
            ObjectNode n = o.putObject(d.code());
            n.put("value", round(d.value().value())).put("unit", d.unit()).put("origin", Words.origin(d.value()));
        }
        ArrayNode plates = o.putArray("plates");
        p.plates().forEach(plates::add);
        return o;
    }

    /// What level, meters and tape show on a set.
    public static ObjectNode instruments(String group, SetView view) {
        Instruments i = StandIns.of(view);
        ObjectNode o = MAPPER.createObjectNode().put("camera_group", group);
        o.set("tilt", reading(i.level().tilt()));
        o.set("roll", reading(i.level().roll()));
        ArrayNode bodies = o.putArray("bodies");
        for (Piece b : view.bodies()) {
            DeviceReading held = DeviceReading.of(i, view, b);
            ObjectNode n = bodies.addObject().put("id", b.id());
            n.set("incident", held.incident().map(StageTree::reading).orElse(null));
            n.set("colour", held.colour().map(StageTree::reading).orElse(null));
            n.set("from_lens", reading(held.fromLens()));
        }
        return o;
    }

    private static ObjectNode reading(InstrumentReading r) {
        return MAPPER.createObjectNode().put("value", round(r.value())).put("unit", r.unit()).put("deviation", round(r.deviation()));
    }

    /// What was foretold of a rehearsed take beside what was measured.
    public static ObjectNode compared(Plate plate, Take take, List<PredictionCheck> all) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("plate", plate.id()).put("take", take.id());
        ArrayNode faults = o.putArray("faults");
        Rehearsing.faults(take).ifPresent(f -> f.stream().sorted().forEach(x -> faults.add(x.code())));
        ArrayNode measures = o.putArray("measures");
        for (PredictionCheck c : all) {
            ObjectNode m = measures.addObject().put("measure", word(c.measure())).put("unit", c.measure().unit());
            Prediction f = c.foretold();
            Finding found = c.measured();
            m.put("foretold", f == null || Double.isNaN(f.value()) ? null : round(f.value())).put("foretold_verdict", f == null ? null
                    : word(f.verdict()));
            m.put("measured", found == null || Double.isNaN(found.value()) ? null : round(found.value()))
                    .put("measured_verdict", found == null ? null : word(found.verdict()));
            m.put("agreement", word(c.agreement())).put("why", StageWords.why(c));
        }
        return o;
    }

    private static String word(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT);
    }

    /// What was worked out for every plate of every set-up.
    public static ArrayNode findings(List<Staged> all, HouseRules rules) {
        ArrayNode out = MAPPER.createArrayNode();
        for (Staged s : all) {
            for (PlateNeed n : s.needs()) {
                s.proved(n.key().code(), rules).forEach(p -> out.add(finding(s, n.key().code(), p)));
            }
        }
        return out;
    }

    private static ObjectNode finding(Staged s, String plate, Proved p) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("measure", p.finding().measure().name().toLowerCase(Locale.ROOT));
        o.put("subject", p.about().isEmpty() ? s.setUp().name() : StageWords.name(p.about().getFirst(), s.stage()))
                .put("camera_group", s.group()).put("plate", plate);
        if (Double.isFinite(p.finding().value())) {
            o.put("value", round(p.finding().value()));
        } else {
            o.putNull("value");
        }
        o.put("unit", p.finding().measure().unit()).put("limit", p.finding().limit().holds()).put("at_least", p.finding().limit().least());
        o.put("verdict", Words.verdict(p.finding().verdict())).put("remedy", StageWords.remedy(p));
        ArrayNode rests = o.putArray("assumed");
        p.rests().forEach(r -> rests.add(StageWords.name(r, s.stage())));
        return o;
    }

    /// What was suggested for a plate: the set, what moved, what was added, and what cannot be met.
    public static ObjectNode suggestion(Staged then, String plate, Suggestion s) {
        ObjectNode o = MAPPER.createObjectNode();
        o.put("camera_group", then.group()).put("plate", plate).put("holds", s.whole());
        ArrayNode moved = o.putArray("moved");
        s.moved().forEach(moved::add);
        ArrayNode added = o.putArray("added");
        s.added().forEach(added::add);
        o.set("set", setUps(List.of(then)).get(0));
        ArrayNode unmet = o.putArray("unmet");
        s.unmet().forEach(p -> unmet.add(finding(then, plate, p)));
        return o;
    }
}
