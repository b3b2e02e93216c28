package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.ShootDay;

/// Brings documents of older schemas to this one: what they could not say yet gets its default.
final class OlderSchemas {
    private OlderSchemas() {}

    static void bring(JsonMapper mapper, ObjectNode production) {
        if (production.path("schema").intValue() >= ProductionJson.SCHEMA) {
            return;
        }
        absent(production, "day", mapper.valueToTree(ShootDay.DEFAULT));
        absent(production, "permissions", mapper.createArrayNode());
        for (JsonNode shot : production.path("shots")) {
            if (shot instanceof ObjectNode o) {
                OlderStages.bring(o);
            }
            absent(shot, "setting", mapper.valueToTree(Setting.NONE));
            absent(shot, "format", mapper.nullNode());
            for (JsonNode plate : shot.path("plates")) {
                absent(plate, "need", mapper.valueToTree(""));
            }
            for (JsonNode layer : shot.path("layers")) {
                if (layer instanceof ObjectNode o) {
                    OlderLayers.bring(o);
                }
            }
        }
        SetUps.fromStages(production);
        if (production.path("houseRules") instanceof ObjectNode rules) {
            OlderRules.bring(mapper, rules);
        }
    }

    private static void absent(JsonNode in, String name, JsonNode value) {
        if (in instanceof ObjectNode o && !o.has(name)) {
            o.set(name, value);
        }
    }
}
