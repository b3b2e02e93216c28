package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Map;

/// Brings a document of schema 6 to this one, which says the same in the words of the trade. What a document may leave unsaid is
/// [JsonDefaults].
public final class SchemaSix {
    static final int SCHEMA = 6;

    private static final Map<String, String> NAMES = Map.of("wonders", "illusions", "trails", "tracks", "schools", "approaches");

    private static final Map<String, String> STEPS = Map.ofEntries(
            Map.entry("steady", "lock-correction"), Map.entry("grade", "exposure"), Map.entry("tone", "colour-grade"),
            Map.entry("soften", "layer-blur"),
            Map.entry("lens", "lens-match"), Map.entry("pin", "pinned-corners"), Map.entry("put", "frame-place"),
            Map.entry("wobble", "hand-held"),
            Map.entry("hold", "track-steady"), Map.entry("place", "set-place"), Map.entry("cast", "drawn-shadow"),
            Map.entry("presence", "opacity"));

    private SchemaSix() {}

    /// Changes the document in place; one of this schema stays as it is.
    static void bring(ObjectNode production) {
        if (production.path("schema").intValue() == SCHEMA) {
            rename(production.path("houseRules"));
            production.path("shots").forEach(SchemaSix::shot);
            origins(production);
        }
    }

    private static void shot(JsonNode shot) {
        rename(shot);
        for (JsonNode layer : shot.path("layers")) {
            for (JsonNode step : layer.path("steps")) {
                if (step instanceof ObjectNode s && s.path("step").isTextual()) {
                    s.put("step", STEPS.getOrDefault(s.get("step").textValue(), s.get("step").textValue()));
                    followed(s.path("by"));
                    followed(s.path("hung"));
                }
            }
        }
    }

    /// What a shot, or the rules of a house, have in it under another name now; also in what a user kept of a shot.
    public static void rename(JsonNode in) {
        if (in instanceof ObjectNode o) {
            NAMES.forEach((old, now) -> {
                if (o.has(old)) {
                    o.set(now, o.remove(old));
                }
            });
        }
    }

    private static void followed(JsonNode binding) {
        if (binding instanceof ObjectNode b && b.has("trail")) {
            b.set("track", b.remove("trail"));
        }
    }

    /// What a person entered was called told.
    private static void origins(JsonNode in) {
        if (in instanceof ObjectNode o && o.path("origin").asText().equals("told")) {
            o.put("origin", "entered");
        }
        in.forEach(SchemaSix::origins);
    }
}
