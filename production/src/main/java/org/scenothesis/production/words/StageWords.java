package org.scenothesis.production.words;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.rehearsal.device.DeviceReading;
import org.scenothesis.core.rehearsal.device.InstrumentReading;
import org.scenothesis.core.rehearsal.device.Instruments;
import org.scenothesis.core.rehearsal.device.StandIns;
import org.scenothesis.core.rehearsal.staged.Prediction;
import org.scenothesis.core.rehearsal.staged.PredictionCheck;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Dimension;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Thing;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.suggest.LampMatch;
import org.scenothesis.core.stage.suggest.Suggestion;
import org.scenothesis.core.value.Kind;

/// What is said of a staged set.
public final class StageWords {
    private static final double FOOT_M = 0.3048;

    private StageWords() {}

    /// How to mend it, in the finding's own numbers; empty where nothing has to be.
    public static String remedy(Proved p) {
        if (p.fix().code().isEmpty()) {
            return "";
        }
        Object[] numbers = p.fix().numbers().stream().map(StageWords::plain).toArray();
        return Words.of("fix." + p.fix().code(), numbers);
    }

    private static String plain(double v) {
        double size = Math.abs(v);
        return Words.number(v, size >= 20 || Math.abs(v - Math.rint(v)) < 1e-9 ? 0 : size >= 5 ? 1 : 2);
    }

    /// What it rests on that nobody told: "if the camera and the key are as assumed"; empty where all was told.
    public static String rests(Proved p, Stage stage) {
        if (p.rests().isEmpty()) {
            return "";
        }
        List<String> names = p.rests().stream().distinct().map(id -> name(id, stage)).toList();
        String all = names.size() == 1 ? names.getFirst() : String.join(", ", names.subList(0, names.size() - 1)) + " and "
                + names.getLast();
        return "if " + all + (names.size() == 1 ? " is" : " are") + " as assumed";
    }

    /// A piece by its name, or what else a finding rests on.
    public static String name(String id, Stage stage) {
        return stage.floor().piece(id).map(Piece::name).orElseGet(() -> Words.of("rests." + id));
    }

    /// A verdict, which is only as sure as what it rests on.
    public static String verdict(Proved p) {
        Verdict v = p.finding().verdict();
        return p.known() || v == Verdict.NOT_MEASURED ? Words.verdict(v) : Words.verdict(v) + ", assumed";
    }

    /// "Cloth round the movement: 0.24 m, needs 0.15 m".
    public static String line(Proved p) {
        Finding f = p.finding();
        Words.Sentence s = Words.sentence(f);
        return s.title() + ": " + s.value() + (s.limit().isEmpty() ? "" : ", " + s.limit());
    }

    /// "512 lx \u00b1 26", as an instrument shows it.
    public static String reading(InstrumentReading r) {
        double size = Math.abs(r.deviation());
        int decimals = size >= 1 ? 0 : size >= 0.05 ? 1 : 3;
        return Words.number(r.value(), decimals) + " " + r.unit() + " \u00b1 " + Words.number(r.deviation(), decimals);
    }

    /// What the meters and the tape say of a piece, held at its middle and turned to the lens.
    public static String instruments(SetView view, Piece p) {
        DeviceReading held = DeviceReading.of(StandIns.of(view), view, p);
        String light = held.incident().map(lux -> Words.of("instruments.light", reading(lux), held.colour().map(StageWords::reading)
                .orElse(Words.of("instruments.dark"))) + " ").orElse("");
        return light + Words.of("instruments.tape", reading(held.fromLens()));
    }

    /// Where a lamp goes to light like the background's, in one sentence.
    public static String lamp(LampMatch.Placed p) {
        List<String> out = new ArrayList<>();
        String role = Words.of("lamps." + p.role());
        out.add((p.lamp().name().equals(role) ? role : role + ", " + p.lamp().name()) + ": "
                + Words.of("lamps.side", MatchWords.side(p.sideDeg())));
        if (!((Lamp) p.lamp().thing()).kind().carried()) {
            out.add(Words.of("lamps.stays"));
            return String.join(", ", out) + ".";
        }
        if (!Double.isNaN(p.awayM())) {
            out.add(Words.of("stage-words.m-from-it", Words.number(p.awayM(), 2)));
            out.add(Words.number(p.heightM(), 2) + " m high");
            out.add(Words.number(p.sizeM(), 2) + " m across");
        }
        out.add(p.dimmer() <= 0 ? Words.of("lamps.off") : p.dimmer() > 1 ? Words.of("lamps.weak", Words.number(p.dimmer(), 1))
                : Words.number(100 * p.dimmer(), 0) + " %");
        if (!Double.isNaN(p.gelMired())) {
            out.add(Words.of("lamps.gel", (p.gelMired() > 0 ? "+" : p.gelMired() < 0 ? "\u2212" : "")
                    + Words.number(Math.abs(p.gelMired()), 0)));
        }
        if (p.movedM() > 0.05) {
            out.add(Words.of("lamps.carry", Words.number(p.movedM(), 2)));
        }
        return String.join(", ", out) + ".";
    }

    /// A rim for which no lamp is left.
    static String bare(PictureLight.Rim r) {
        return Words.of("lamps.bare", MatchWords.rim(r));
    }

    /// Where all lamps go, what else is wanted, and what is then still off, a sentence each.
    public static List<String> plan(LampMatch m) {
        List<String> out = new ArrayList<>();
        m.lamps().forEach(p -> out.add(lamp(p)));
        if (m.black()) {
            out.add(Words.of("lamps.black"));
        }
        m.bare().forEach(r -> out.add(bare(r)));
        out.add(left(m));
        return out;
    }

    /// What is still off once the lamps stand so.
    private static String left(LampMatch m) {
        String all = m.left().stream().filter(p -> p.finding().verdict() != Verdict.HOLDS)
                .map(p -> Words.title(p.finding().measure()) + " " + Words.value(p.finding())).collect(Collectors.joining("; "));
        return all.isEmpty() ? Words.of("lamps.whole") : Words.of("lamps.left", all);
    }

    /// What the level on the camera says.
    public static String level(SetView view) {
        Instruments.SpiritLevel l = StandIns.of(view).level();
        return Words.of("instruments.level", reading(l.tilt()), reading(l.roll()));
    }

    /// Why what was foretold and what was measured agree or differ.
    public static String why(PredictionCheck c) {
        Prediction f = c.foretold();
        if (c.agreement() == PredictionCheck.Agreement.AGREES && f != null && !f.by().isEmpty()) {
            return Words.of("compared.AGREES.by", f.by().stream().map(x -> Words.of("fault." + x.name()))
                    .collect(Collectors.joining(", ")));
        }
        if (c.agreement() == PredictionCheck.Agreement.NOT_MEASURED && c.measured() != null && !c.measured().note().isEmpty()) {
            return c.measured().note();
        }
        String all = "compared." + c.agreement();
        String own = all + "." + c.measure();
        String still = own + ".still";
        boolean nothing = f != null && f.value() == 0 && f.by().isEmpty();
        return Words.of(nothing && Words.has(still) ? still : Words.has(own) ? own : all);
    }

    /// What was foretold: its value, or the verdict where only that could be.
    public static String foretold(PredictionCheck c) {
        Prediction f = c.foretold();
        return f == null ? "\u2013" : Double.isNaN(f.value()) ? Words.verdict(f.verdict()) : Words.value(f.measure(), f.value());
    }

    public static String measured(PredictionCheck c) {
        return c.measured() == null ? "\u2013" : Words.value(c.measured());
    }

    public static String thing(Thing t) {
        return Words.of("thing." + Kind.word(t.getClass()));
    }

    public static String dimension(Dimension d) {
        return Words.of("dimension." + d.code());
    }

    /// A length as the crew counts: metres, or feet and inches.
    public static String length(double metres, boolean feet) {
        if (!feet) {
            return Words.number(metres, 2) + " m";
        }
        long inches = Math.round(Math.abs(metres) / FOOT_M * 12);
        return (metres < 0 ? "\u2212" : "") + inches / 12 + "\u2032 " + inches % 12 + "\u2033";
    }

    private static final Pattern FEET = Pattern.compile("(\\d{1,4})\\s*[\u2032']\\s*(?:(\\d{1,2}(?:\\.\\d+)?)\\s*[\u2033\"]?)?");

    /// A length as it is typed: metres, with or without their unit, or feet and inches; empty for anything else.
    public static OptionalDouble metres(String typed) {
        String t = typed.strip().replace(',', '.');
        Matcher feet = FEET.matcher(t);
        if (feet.matches()) {
            return OptionalDouble.of(Integer.parseInt(feet.group(1)) * FOOT_M + (feet.group(2) == null ? 0
                    : Double.parseDouble(feet.group(2)) * FOOT_M / 12));
        }
        try {
            double v = Double.parseDouble(t.endsWith("m") ? t.substring(0, t.length() - 1).strip() : t);
            return Double.isFinite(v) ? OptionalDouble.of(v) : OptionalDouble.empty();
        } catch (NumberFormatException e) {
            return OptionalDouble.empty();
        }
    }

    /// How a screen is made, in words.
    public static String backdrop(BackdropKind k) {
        return Words.of("backdrop." + k.name());
    }

    /// What a suggestion did: "4 pieces moved, 2 lamps added; all limits are kept".
    public static String suggested(Suggestion s) {
        String done = s.moved().isEmpty() && s.added().isEmpty() ? Words.of("stage-words.nothing-better-was-found")
                : Words.count(s.moved().size(), "piece", "pieces") + " moved" + (s.added().isEmpty() ? ""
                : ", " + Words.count(s.added().size(), "lamp", "lamps") + " added");
        return done + (s.whole() ? Words.of("stage-words.all-limits-are-kept") : "; " + Words.count(s.unmet().size(), "limit is",
                "limits are") + " not kept"
                + (s.usable() ? Words.of("stage-words.all-of-them-can-be-corrected") : ""));
    }
}
