package org.scenothesis.production.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;

/// The written form of a production. Plain data: no types are named in it, depth and lengths are bounded.
///
/// Fields this version does not know are kept: they are laid back into what is written, objects of a list being recognised by their `id`.
public final class ProductionJson {
    /// Version of the schema written; newer ones are refused.
    public static final int SCHEMA = 2;

    private static final JsonMapper MAPPER = JsonMapper.builder(
                    com.fasterxml.jackson.core.JsonFactory.builder()
                            .streamReadConstraints(StreamReadConstraints.builder()
                                    .maxNestingDepth(40).maxStringLength(200_000).maxDocumentLength(32L << 20).build())
                            .build())
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build();

    private ProductionJson() {}

    /// What was read: the production and the tree it came from.
    public record Read(Production production, JsonNode tree) {}

    /// @throws StoreException if the text is no production of this or an older version
    public static Read read(Path path, String text) throws StoreException {
        JsonNode tree;
        try {
            tree = MAPPER.readTree(text);
        } catch (JsonProcessingException e) {
            throw new StoreException(
                    path,
                    "the file is broken" + where(e) + "; it was left as it is. Put production.previous.json in its place to go back to the last good state.", e);
        }
        if (tree == null || !tree.isObject() || !tree.path("schema").isInt()) {
            throw new StoreException(path, "this is not a Scenothesis production; choose a folder that holds one.");
        }
        int schema = tree.get("schema").intValue();
        if (schema > SCHEMA) {
            throw new StoreException(
                    path, "it was written by a newer Scenothesis (schema " + schema + ", this one reads up to " + SCHEMA + "); update, then open it again.");
        }
        try {
            Older.bring(MAPPER, (ObjectNode) tree);
            Production p = MAPPER.treeToValue(tree, Production.class);
            verify(path, p);
            return new Read(p, tree);
        } catch (JsonProcessingException | RuntimeException e) {
            throw new StoreException(path, "a value in it cannot be used: " + reason(e) + "; the file was left as it is.", e);
        }
    }

    private static String where(JsonProcessingException e) {
        return e.getLocation() == null ? "" : " at line " + e.getLocation().getLineNr();
    }

    private static String reason(Exception e) {
        Throwable t = e;
        while (t.getCause() != null && t.getCause() != t) {
            t = t.getCause();
        }
        String m = t instanceof JsonProcessingException j ? j.getOriginalMessage() : String.valueOf(t.getMessage());
        return m.lines().findFirst().orElse("unknown");
    }

    private static void verify(Path path, Production p) throws StoreException {
        Set<String> shots = new HashSet<>();
        for (Shot s : p.shots()) {
            if (!shots.add(s.id())) {
                throw new StoreException(path, "two shots have the id " + s.id() + "; give one of them another.");
            }
            Set<String> plates = new HashSet<>();
            for (Plate plate : s.plates()) {
                if (!plates.add(plate.id())) {
                    throw new StoreException(path, "two plates of shot " + s.id() + " have the id " + plate.id() + "; give one of them another.");
                }
                for (Take t : plate.takes()) {
                    Footing.check(path, t.footage());
                }
            }
        }
    }

    /// The text of a production; what `before` knew beyond this version is kept.
    public static String write(Production production, @Nullable JsonNode before) {
        try {
            return MAPPER.writeValueAsString(tree(production, before)) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    static ObjectNode tree(Production production, @Nullable JsonNode before) {
        ObjectNode tree = MAPPER.createObjectNode();
        tree.put("schema", SCHEMA);
        tree.setAll((ObjectNode) MAPPER.valueToTree(production));
        if (before != null) {
            keep(tree, before);
        }
        return tree;
    }

    private static void keep(JsonNode now, JsonNode before) {
        if (now instanceof ObjectNode to && before.isObject()) {
            before.properties().forEach(e -> {
                JsonNode mine = to.get(e.getKey());
                if (mine == null) {
                    to.set(e.getKey(), e.getValue());
                } else if (!e.getKey().equals("facts") && !e.getKey().equals("schools")) {
                    // Open maps: what is not there any more was taken away on purpose.
                    keep(mine, e.getValue());
                }
            });
        } else if (now instanceof ArrayNode to && before.isArray()) {
            for (JsonNode mine : to) {
                for (JsonNode old : before) {
                    if (mine.has("id") && mine.get("id").equals(old.get("id"))) {
                        keep(mine, old);
                    }
                }
            }
        }
    }
}
