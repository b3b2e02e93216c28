package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;

/// House rules of schemas 1 to 3: every limit had a name of its own and was written whether the house had set it or not.
final class OlderRules {
    private static final Map<String, List<Measure>> LIMITS = Map.of(
            "shiftPx", List.of(Measure.CAMERA, Measure.BUMP), "parallaxPx", List.of(Measure.PARALLAX), "exposureStops", List.of(Measure.EXPOSURE, Measure.DRIFT),
            "whiteBalanceMired", List.of(Measure.WHITE_BALANCE), "screenStops", List.of(Measure.SCREEN_EVENNESS),
            "matteGreyPercent", List.of(Measure.GREY_INSIDE, Measure.GREY_OUTSIDE), "keyDirectionDeg", List.of(Measure.KEY_DIRECTION),
            "enlargement", List.of(Measure.ENLARGEMENT));

    private OlderRules() {}

    static void bring(JsonMapper mapper, ObjectNode rules) {
        ObjectNode limits = rules.withObjectProperty("limits");
        LIMITS.forEach((name, measures) -> {
            JsonNode was = rules.remove(name);
            for (Measure m : measures) {
                if (was != null && !same(was, m)) {
                    limits.set(m.name(), was);
                }
            }
        });
        ObjectNode now = mapper.valueToTree(HouseRules.DEFAULT);
        now.properties().forEach(e -> {
            if (!rules.has(e.getKey())) {
                rules.set(e.getKey(), e.getValue());
            }
        });
        JsonNode ends = rules.remove("cleanPlateEnds");
        if (ends != null && rules.get("schools") instanceof ObjectNode schools) {
            schools.put("CLEAN_WHEN", ends.asText().toLowerCase(Locale.ROOT));
        }
    }

    private static boolean same(JsonNode was, Measure m) {
        return was.path("holds").asDouble(-1) == m.limit().holds() && was.path("watch").asDouble(-1) == m.limit().watch();
    }
}
