package org.scenothesis.production.store;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.io.JsonEOFException;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.deser.DeserializationProblemHandler;
import com.fasterxml.jackson.databind.deser.ValueInstantiator;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.production.words.Words;

/// The written form of a production. Plain data: no types are named in it, depth and lengths are bounded.
///
/// Fields this version does not know are kept: they are laid back into what is written, objects of a list being recognised by their `id`.
public final class ProductionJson {
    /// Version of the schema written; newer ones are refused.
    public static final int SCHEMA = 7;

    private static final JsonMapper MAPPER = JsonMapper.builder(
                    JsonFactory.builder()
                            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                            .streamReadConstraints(StreamReadConstraints.builder()
                                    .maxNestingDepth(40).maxStringLength(200_000).maxDocumentLength(32L << 20).build())
                            .build())
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .disable(SerializationFeature.FAIL_ON_EMPTY_BEANS)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .annotationIntrospector(new FileKinds())
            .build();

    /// Reads shots that name their set-up, only to find a line.
    private static final JsonMapper BY_LINE = MAPPER.rebuild().addHandler(new DeserializationProblemHandler() {
        @Override
        public @Nullable Object handleMissingInstantiator(DeserializationContext context, Class<?> kind, ValueInstantiator maker,
                JsonParser p, String message) {
            return kind == SetUp.class ? null : NOT_HANDLED;
        }
    }).build();

    private ProductionJson() {}

    /// What was read: the production and the tree it came from.
    public record Read(Production production, JsonNode tree) {}

    /// - `copies`: a sentence that names earlier copies, said with every failure; empty when there are none.
    ///
    /// @throws StoreException if the text is no production of this or an older version
    public static Read read(Path path, String text, String copies) throws StoreException {
        if (text.isBlank()) {
            throw new StoreException(path, Words.of("production-json.the-file-is-empty-it-was", copies));
        }
        JsonNode tree;
        try {
            tree = MAPPER.readTree(text);
        } catch (JsonProcessingException e) {
            throw new StoreException(path, Words.of("production-json.the-file-is-broken-it-was", where(e), broken(e), copies), e);
        }
        if (tree == null || !tree.isObject() || !tree.path("schema").isInt()) {
            throw new StoreException(path, Words.of("production-json.this-is-not-a-scenothesis-production", copies));
        }
        int schema = tree.get("schema").intValue();
        if (schema > SCHEMA) {
            throw new StoreException(
                    path, Words.of("production-json.it-was-written-by-a-newer", schema, SCHEMA));
        }
        if (schema < SchemaSix.SCHEMA) {
            throw new StoreException(path, Words.of("production-json.it-was-written-by-an-early", schema, SchemaSix.SCHEMA, SCHEMA));
        }
        // Before minutes go into what is refused anyway.
        bound(path, "shots", tree.path("shots").size(), MOST_SHOTS);
        try {
            SchemaSix.bring((ObjectNode) tree);
            JsonDefaults.fill(MAPPER, (ObjectNode) tree);
            SetUps.spread((ObjectNode) tree);
            Completeness.check(tree);
            Production p = MAPPER.treeToValue(tree, Production.class);
            verify(path, p);
            return new Read(p, tree);
        } catch (JsonProcessingException | RuntimeException e) {
            throw new StoreException(path, Words.of("production-json.a-value-in-it-cannot-be", line(text, e), reason(e), copies), e);
        }
    }

    private static String where(JsonProcessingException e) {
        return e.getLocation() == null ? "" : " at line " + e.getLocation().getLineNr();
    }

    /// The parser's own words name Java classes and features; these do not.
    private static String broken(JsonProcessingException e) {
        String m = String.valueOf(e.getOriginalMessage());
        if (m.startsWith("Duplicate field")) {
            return Words.of("production-json.the-name-stands-there-twice", m.substring("Duplicate field".length()).strip());
        }
        if (e instanceof JsonEOFException) {
            return Words.of("production-json.it-ends-too-early");
        }
        return m.contains("nesting depth") ? Words.of("production-json.it-is-nested-too-deeply") : m.contains("exceeds the maximum")
                ? Words.of("production-json.something-in-it-is-too-long")
                : Words.of("production-json.it-is-no-well-formed-json");
    }

    /// Reads once more, straight from the text, only to find the line.
    private static String line(String text, Exception e) {
        if (e instanceof JsonProcessingException) {
            try {
                BY_LINE.readValue(text, Production.class);
            } catch (JsonProcessingException again) {
                return where(again);
            } catch (RuntimeException again) {
                return "";
            }
        }
        return "";
    }

    private static String reason(Exception e) {
        String in = e instanceof JsonMappingException m ? m.getPath().stream()
                .map(r -> r.getFieldName() != null ? "." + r.getFieldName() : "[" + r.getIndex() + "]").reduce("", String::concat)
                .replaceFirst("^\\.", "") : "";
        Throwable t = e;
        while (t.getCause() != null && t.getCause() != t) {
            t = t.getCause();
        }
        String m = t instanceof NullPointerException ? Words.of("production-json.something-is-missing-or-null")
                : t instanceof JsonProcessingException j ? plain(j) : String.valueOf(t.getMessage());
        return (in.isEmpty() ? "" : in + ", ") + m.lines().findFirst().orElse("unknown");
    }

    private static String plain(JsonProcessingException e) {
        String m = String.valueOf(e.getOriginalMessage());
        int quoted = m.indexOf("from String \"");
        if (quoted >= 0) {
            return m.substring(quoted + "from String ".length()).replaceFirst(": not one of the values accepted.*", " is no word it knows");
        }
        return m.startsWith("Cannot") ? Words.of("production-json.it-is-of-the-wrong-kind") : m;
    }

    private static final int MOST_SHOTS = 2_000;
    private static final int MOST_PLATES = 2_000;
    private static final int MOST_TAKES = 50_000;
    private static final int MOST_EFFECTS = 10_000;
    private static final int MOST_EFFECTS_OF_SHOT = 300;

    /// What keeps a production from being saved, as a sentence; null where nothing does: it would not be opened again.
    static @Nullable String refusal(Path path, Production p) {
        try {
            bounded(path, p);
            return null;
        } catch (StoreException e) {
            return e.getMessage();
        }
    }

    private static void bounded(Path path, Production p) throws StoreException {
        bound(path, "shots", p.shots().size(), MOST_SHOTS);
        bound(path, "plates", p.shots().stream().mapToInt(s -> s.plates().size()).sum(), MOST_PLATES);
        bound(path, "effects", p.shots().stream().mapToInt(s -> s.illusions().size()).sum(), MOST_EFFECTS);
        for (Shot s : p.shots()) {
            bound(path, Words.of("production-json.effects-in-shot", s.id()), s.illusions().size(), MOST_EFFECTS_OF_SHOT);
        }
        bound(path, "takes", p.shots().stream().flatMap(s -> s.plates().stream()).mapToInt(q -> q.takes().size()).sum(), MOST_TAKES);
    }

    private static void verify(Path path, Production p) throws StoreException {
        bounded(path, p);
        Set<String> shots = new HashSet<>();
        for (Shot s : p.shots()) {
            if (!shots.add(s.id())) {
                throw new StoreException(path, Words.of("production-json.two-shots-have-the-id-give", s.id()));
            }
            Set<String> plates = new HashSet<>();
            for (Plate plate : s.plates()) {
                if (!plates.add(plate.id())) {
                    throw new StoreException(path, Words.of("production-json.two-plates-of-shot-have-the", s.id(), plate.id()));
                }
                for (Take t : plate.takes()) {
                    Bounds.check(path, t.footage());
                }
            }
        }
    }

    private static void bound(Path path, String what, int n, int most) throws StoreException {
        if (n > most) {
            throw new StoreException(path, Words.of("production-json.it-has-more-than-the-a", n, what, most));
        }
    }

    /// The text of a production; what `before` knew beyond this version is kept.
    public static String write(Production production, @Nullable JsonNode before) {
        return text(tree(production, before));
    }

    /// Part of a document as it would be written, for those who tell parts apart.
    public static JsonNode part(Object part) {
        return MAPPER.valueToTree(part);
    }

    static String text(JsonNode tree) {
        try {
            return MAPPER.writeValueAsString(tree) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /// A value in one line.
    static String line(Object value) {
        try {
            return MAPPER.writer().without(SerializationFeature.INDENT_OUTPUT).writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    static <T> T line(String text, Class<T> kind) throws JsonProcessingException {
        return MAPPER.readValue(text, kind);
    }

    static ObjectNode tree(Production production, @Nullable JsonNode before) {
        ObjectNode tree = MAPPER.createObjectNode();
        tree.put("schema", SCHEMA);
        tree.setAll((ObjectNode) MAPPER.valueToTree(production));
        if (before != null) {
            keep(tree, before);
        }
        SetUps.gather(tree);
        return tree;
    }

    private static final Set<String> OPEN_MAPS = Set.of("facts", "approaches", "limits", "elsewhere", "keyed");

    /// By these the objects of a list are known again.
    private static final List<String> RECOGNISED = List.of("id", "step");

    private static void keep(JsonNode now, JsonNode before) {
        if (now instanceof ObjectNode to && before.isObject()) {
            if (!FileKinds.alike(to, before)) {
                return;
            }
            before.properties().forEach(e -> {
                JsonNode mine = to.get(e.getKey());
                // Open maps: what is not there any more was taken away on purpose.
                if (OPEN_MAPS.contains(e.getKey())) {
                    return;
                }
                if (mine == null) {
                    to.set(e.getKey(), e.getValue());
                } else {
                    keep(mine, e.getValue());
                }
            });
        } else if (now instanceof ArrayNode to && before.isArray()) {
            for (String name : RECOGNISED) {
                Map<JsonNode, JsonNode> old = new HashMap<>();
                before.forEach(b -> old.put(b.path(name), b));
                to.forEach(mine -> {
                    JsonNode was = mine.has(name) ? old.get(mine.get(name)) : null;
                    if (was != null) {
                        keep(mine, was);
                    }
                });
            }
        }
    }
}
