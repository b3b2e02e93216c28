package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.key.MatteAreas;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.Neutral;
import org.scenothesis.production.measure.KeyReport;
import org.scenothesis.production.words.Words;

/// What a key measures, for `--json` and in lines.
final class KeyJson {
    private KeyJson() {}

    static ObjectNode of(KeyReport r, List<Finding> findings, KeyJudge.Edge edge, @Nullable Neutral neutral) {
        ObjectNode o = Output.object();
        o.put("frames", r.frames());
        o.put("screen_model", r.source().name().toLowerCase(Locale.ROOT));
        Output.number(o, "evenness_stops", r.evennessStops() == null ? Double.NaN : r.evennessStops());
        o.put("outline", r.clothOutline() ? Words.of("key-command.round-the-cloth-proposed") : "as given");
        if (neutral != null) {
            ObjectNode n = o.putObject("neutral");
            Output.number(n, "lean_percent", 100 * neutral.lean());
            Output.number(n, "despill", neutral.despill());
        }
        measures(o.putObject("measures"), r.worst());
        List<KeyReport.At> hands = r.needHand(edge, HouseRules.DEFAULT);
        o.put("frames_looked_at", r.samples().size());
        o.put("frames_need_hand", hands.size());
        ArrayNode list = o.putArray("need_hand");
        for (KeyReport.At a : hands) {
            ObjectNode f = list.addObject();
            f.put("frame", a.frame());
            ArrayNode what = f.putArray("what");
            needs(a, edge).forEach(m -> what.add(m.name().toLowerCase(Locale.ROOT)));
            ArrayNode places = f.putArray("places");
            a.measures().places().forEach(p -> place(places.addObject(), p));
        }
        o.put("verdict", Words.verdict(new Judgement(findings).verdict()));
        o.set("findings", Output.findings(findings));
        return o;
    }

    private static void measures(ObjectNode m, MatteMeasures worst) {
        Output.number(m, "grey_inside_percent", worst.greyInside());
        Output.number(m, "grey_outside_percent", worst.greyOutside());
        Output.number(m, "see_through_percent", worst.seeThrough());
        Output.number(m, "edge_px", worst.edgePx());
        Output.number(m, "flicker_percent", worst.flicker());
        Output.number(m, "spill_percent", worst.spillLeft());
        Output.number(m, "solid_percent", worst.solid());
        Output.number(m, "room_px", worst.room().px() < 0 ? Double.NaN : worst.room().px());
        m.put("room_side", worst.room().side().name().toLowerCase(Locale.ROOT));
    }

    /// Sides in shares of the picture.
    private static void place(ObjectNode o, MatteAreas.Place p) {
        o.put("what", p.what().name().toLowerCase(Locale.ROOT));
        Output.number(o, "left", p.left());
        Output.number(o, "top", p.top());
        Output.number(o, "right", p.right());
        Output.number(o, "bottom", p.bottom());
    }

    private static List<Measure> needs(KeyReport.At a, KeyJudge.Edge edge) {
        return KeyJudge.needsHand(a.measures(), edge, HouseRules.DEFAULT);
    }

    /// How many frames need a hand, and which for what.
    static List<String> hands(KeyReport r, KeyJudge.Edge edge) {
        List<String> out = new ArrayList<>();
        List<KeyReport.At> hands = r.needHand(edge, HouseRules.DEFAULT);
        if (!hands.isEmpty()) {
            out.add(Words.of("key-command.needs-a-hand", hands.size(), Words.frames(r.samples().size())));
            hands.forEach(a -> out.add("  " + Words.of("key-command.frame-needs-a-hand", a.frame(), String.join(", ",
                    needs(a, edge).stream().map(Words::title).toList()))));
        }
        return out;
    }
}
