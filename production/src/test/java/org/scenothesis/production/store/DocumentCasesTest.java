package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.production.Lantern;
import org.scenothesis.testkit.CaseFiles;

/// The demo's file with parts of it changed by hand: what is taken comes back as it was, what is refused is said in plain words and left as
/// it was.
///
/// - `set`: other values by pointer; `raw`: the same as raw text; `text`: another text altogether; `before`: put before the first letter;
///   `kept`: what the file says once it was read and saved.
class DocumentCasesTest {
    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path home;

    @TestFactory
    Stream<DynamicTest> documents() throws IOException {
        return CaseFiles.tests(DocumentCasesTest.class, "cases", this::opened);
    }

    private static String text(JsonNode c) throws IOException {
        if (c.has("text")) {
            return c.get("text").asText();
        }
        ObjectNode t = ProductionJson.tree(Lantern.production(), null);
        c.path("set").properties().forEach(e -> set(t, e.getKey(), e.getValue()));
        c.path("raw").properties().forEach(e -> set(t, e.getKey(), JSON.getNodeFactory().textNode("@@")));
        String written = JSON.writerWithDefaultPrettyPrinter().writeValueAsString(t);
        for (var e : c.path("raw").properties()) {
            written = written.replace("\"@@\"", e.getValue().asText());
        }
        return c.path("before").asText() + written;
    }

    private static void set(ObjectNode tree, String pointer, JsonNode value) {
        int slash = pointer.lastIndexOf('/');
        JsonNode in = slash == 0 ? tree : tree.at(pointer.substring(0, slash));
        String last = pointer.substring(slash + 1);
        if (in instanceof ArrayNode a) {
            a.insert(Integer.parseInt(last), value);
        } else {
            ((ObjectNode) in).set(last, value);
        }
    }

    private void opened(JsonNode c) throws Exception {
        Path folder = Files.createTempDirectory(home, "case");
        Path file = folder.resolve(ProductionFolder.FILE);
        String before = text(c);
        Files.writeString(file, before);
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            f.save(f.production());
        } catch (StoreException e) {
            assertThat(Files.readString(file)).as("it is left as it was").isEqualTo(before);
            assertThat(e.getMessage()).as("plain words").doesNotContain("jackson").doesNotContain("Exception").doesNotContain("java.");
            assertThat(!c.path("saysLine").asBoolean() || e.getMessage().contains("line")).as("the line is said").isTrue();
            if (c.path("saysLine").asBoolean()) {
                return;
            }
            throw e;
        }
        JsonNode after = JSON.readTree(Files.readString(file));
        c.path("kept").properties().forEach(e -> assertThat(after.at(e.getKey())).as(e.getKey()).isEqualTo(e.getValue()));
        ProductionJson.Read again = ProductionJson.read(file, Files.readString(file), "");
        assertThat(ProductionJson.tree(again.production(), again.tree())).as("what is written is read as the same").isEqualTo(after);
    }
}
