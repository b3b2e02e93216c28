package org.scenothesis.production.kit;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.Owned;
import org.scenothesis.core.breakdown.kit.OwnedKind;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.store.ResultFile;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;

/// The owned kit as JSON: a list of things, each with its kind, its count and its sizes in the units of their facts.
public final class KitFile {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final long MOST_BYTES = 1_000_000;

    private KitFile() {}

    /// Where the user's own is kept.
    public static Path home() {
        return Path.of(System.getProperty("scenothesis.kit", Path.of(System.getProperty("user.home"), "Scenothesis", "kit.json")
                .toString()));
    }

    /// The kit in a file; nothing where there is none yet.
    ///
    /// @throws StoreException if it cannot be read or is no kit
    public static OwnedKit read(Path file) throws StoreException {
        if (Files.notExists(file)) {
            return OwnedKit.NOTHING;
        }
        try {
            if (Files.size(file) > MOST_BYTES) {
                throw new StoreException(file, Words.of("kit-file.it-is-far-too-large-for"));
            }
            return of(file, MAPPER.readTree(Files.readAllBytes(file)));
        } catch (JsonProcessingException e) {
            throw new StoreException(file, Words.of("kit-file.it-is-no-list-of-kit"), e);
        } catch (IOException e) {
            throw new StoreException(file, Words.of("kit-file.it-cannot-be-read-check-that"), e);
        }
    }

    private static OwnedKit of(Path file, JsonNode all) throws StoreException {
        if (!all.isArray()) {
            throw new StoreException(file, Words.of("kit-file.it-is-no-list"));
        }
        List<Owned> out = new ArrayList<>();
        for (JsonNode n : all) {
            String kind = n.path("kind").asText("");
            OwnedKind k = OwnedKind.byCode(kind)
                    .orElseThrow(() -> new StoreException(file, Words.of("kit-file.thing-is-of-no-known-kind", out.size() + 1, kind)));
            Map<Fact, Double> sizes = new EnumMap<>(Fact.class);
            k.sizes().stream().filter(f -> n.path(f.key()).isNumber()).forEach(f -> sizes.put(f, n.path(f.key()).asDouble()));
            out.add(Entered.made(() -> new Owned(k, n.path("name").asText(""), sizes, n.path("count").asInt(1)),
                    why -> new StoreException(file, "thing " + (out.size() + 1) + ", " + kind + ": " + why + ".")));
        }
        return new OwnedKit(out);
    }

    /// The kit as JSON.
    public static ArrayNode tree(OwnedKit kit) {
        ArrayNode out = MAPPER.createArrayNode();
        for (Owned o : kit.things()) {
            ObjectNode n = out.addObject();
            n.put("kind", o.kind().code());
            n.put("name", o.name());
            n.put("count", o.count());
            o.sizes().forEach((f, v) -> n.put(f.key(), v));
        }
        return out;
    }

    /// Writes it to where somebody wants it.
    ///
    /// @throws StoreException if something else is there, or it cannot be written
    public static void export(OwnedKit kit, Path file) throws StoreException {
        ResultFile.write(file, bytes(kit));
    }

    private static byte[] bytes(OwnedKit kit) {
        return (tree(kit).toPrettyString() + "\n").getBytes(StandardCharsets.UTF_8);
    }

    /// Writes it, beside the file first, then renamed over it.
    ///
    /// @throws StoreException if it cannot be written
    public static void write(OwnedKit kit, Path file) throws StoreException {
        try {
            if (file.toAbsolutePath().getParent() != null) {
                Files.createDirectories(file.toAbsolutePath().getParent());
            }
            FreshFile.write(file, bytes(kit));
        } catch (IOException e) {
            throw new StoreException(file, Words.of("file.could-not-be-written"), e);
        }
    }
}
