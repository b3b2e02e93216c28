package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashMap;
import java.util.Map;
import org.scenothesis.production.words.Words;

/// Set-ups are written once, at the production, and named by their id in the shots that share them; a shot that was read has its set-up at
/// hand.
final class SetUps {
    private static final String ALL = "setUps";
    private static final String OF_SHOT = "setUp";
    private static final String ELSEWHERE = "elsewhere";

    private SetUps() {}

    /// Puts the set-ups of a written document into its shots.
    ///
    /// @throws IllegalArgumentException if a shot names one that is not there
    static void spread(ObjectNode production) {
        Map<String, JsonNode> all = new HashMap<>();
        production.path(ALL).forEach(s -> all.put(s.path("id").asText(), s));
        for (JsonNode shot : production.path("shots")) {
            spread(shot, OF_SHOT, "shots." + shot.path("id").asText() + "." + OF_SHOT, all);
            JsonNode elsewhere = shot.path(ELSEWHERE);
            elsewhere.fieldNames().forEachRemaining(group -> spread(elsewhere, group, "shots." + shot.path("id").asText() + "." + ELSEWHERE
                    + "." + group, all));
        }
    }

    private static void spread(JsonNode in, String name, String path, Map<String, JsonNode> all) {
        JsonNode named = in.path(name);
        if (in instanceof ObjectNode o && named.isTextual()) {
            JsonNode found = all.get(named.asText());
            if (found == null) {
                throw new IllegalArgumentException(Words.of("set-ups.is-not-among-the-set-ups", path, named.asText()));
            }
            o.set(name, found.deepCopy());
        }
    }

    /// Names the set-ups in the shots, for they stand at the production.
    static void gather(ObjectNode production) {
        for (JsonNode shot : production.path("shots")) {
            gather(shot, OF_SHOT);
            shot.path(ELSEWHERE).fieldNames().forEachRemaining(group -> gather(shot.path(ELSEWHERE), group));
        }
    }

    private static void gather(JsonNode in, String name) {
        if (in instanceof ObjectNode o && o.path(name) instanceof ObjectNode setUp) {
            o.put(name, setUp.path("id").asText());
        }
    }
}
