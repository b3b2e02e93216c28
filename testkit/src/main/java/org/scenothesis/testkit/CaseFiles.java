package org.scenothesis.testkit;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.DynamicTest;

/// Cases that are data: a folder of resources beside a test with a file per kind, each a list of objects with a `name` and whatever the
/// test needs.
///
/// - `general.json`, `robust.json`: usual and unusual input; the case must pass.
/// - `invalid.json`: must be refused; `says` is what the sentence has to name, one or several.
/// - `known-failure.json`: what is known to fall short, with `why`; a case that passes one day is to be moved to another file.
public final class CaseFiles {
    private static final List<String> KINDS = List.of("general", "robust", "invalid", "known-failure");

    private CaseFiles() {}

    /// Tries one case; throws whatever makes it fail.
    @FunctionalInterface
    public interface Trial {
        void run(JsonNode oneCase) throws Throwable;
    }

    /// @throws IOException if a file is no list of cases
    public static Stream<DynamicTest> tests(Class<?> of, String folder, Trial trial) throws IOException {
        Stream<DynamicTest> all = Stream.empty();
        for (String kind : KINDS) {
            try (InputStream in = of.getResourceAsStream(folder + "/" + kind + ".json")) {
                if (in != null) {
                    JsonNode list = new ObjectMapper().readTree(in);
                    all = Stream.concat(all, StreamSupport.stream(list.spliterator(), false)
                            .map(c -> DynamicTest.dynamicTest(kind + ": " + c.path("name").asText(), () -> run(kind, c, trial))));
                }
            }
        }
        return all;
    }

    private static void run(String kind, JsonNode c, Trial trial) throws Throwable {
        if (kind.equals("general") || kind.equals("robust")) {
            trial.run(c);
            return;
        }
        Throwable thrown = thrown(c, trial);
        if (thrown == null) {
            throw new AssertionError(kind.equals("invalid") ? "it was taken" : "it passes now: move it to another file; it failed because "
                    + c.path("why").asText());
        }
        if (kind.equals("invalid")) {
            says(c, String.valueOf(thrown.getMessage()));
        }
    }

    private static @Nullable Throwable thrown(JsonNode c, Trial trial) {
        try {
            trial.run(c);
            return null;
        } catch (Throwable e) {
            return e;
        }
    }

    private static void says(JsonNode c, String message) {
        JsonNode says = c.path("says");
        String[] wanted = says.isArray() ? StreamSupport.stream(says.spliterator(), false).map(JsonNode::asText).toArray(String[]::new)
                : new String[] {says.asText()};
        List<String> missing = Arrays.stream(wanted).filter(s -> !message.contains(s)).toList();
        if (!missing.isEmpty()) {
            throw new AssertionError("\"" + message + "\" does not name " + missing);
        }
    }
}
