package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;

/// Brings documents of older schemas to this one: what they said otherwise. What they could not say yet is [JsonDefaults].
final class OlderSchemas {
    private OlderSchemas() {}

    static void bring(JsonMapper mapper, ObjectNode production) {
        if (production.path("schema").intValue() >= ProductionJson.SCHEMA) {
            return;
        }
        for (JsonNode shot : production.path("shots")) {
            if (shot instanceof ObjectNode o) {
                OlderStages.bring(o);
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
}
