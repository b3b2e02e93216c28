package org.scenothesis.production.illusion;

import com.fasterxml.jackson.core.JacksonException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.store.SchemaSix;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// The ready-made shots: those that ship with the application, and the user's own in a folder.
///
/// - `problems`: own files that could not be read, as sentences; the others are there all the same.
public record ReadyMadeShots(List<ReadyMadeShot> all, List<String> problems) {
    private static final long LARGEST = 1 << 20;
    private static final JsonMapper MAPPER = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .enable(SerializationFeature.INDENT_OUTPUT).build();

    public ReadyMadeShots {
        all = List.copyOf(all);
        problems = List.copyOf(problems);
    }

    /// Where the user's own are kept.
    public static Path home() {
        return Path.of(System.getProperty("scenothesis.illusions", Path.of(System.getProperty("user.home"), "Scenothesis", "Illusions")
                .toString()));
    }

    public static ReadyMadeShots shipped() {
        List<ReadyMadeShot> out = new ArrayList<>();
        try {
            for (String id : text("index.txt").lines().toList()) {
                out.add(MAPPER.readValue(text(id + ".json"), ReadyMadeShot.class));
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return new ReadyMadeShots(out, List.of());
    }

    private static String text(String name) throws IOException {
        try (InputStream in = Objects.requireNonNull(ReadyMadeShots.class.getResourceAsStream(name), name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /// The shipped ones, then those in a folder that may not exist.
    public static ReadyMadeShots with(Path own) {
        List<ReadyMadeShot> all = new ArrayList<>(shipped().all);
        List<String> problems = new ArrayList<>();
        if (Files.isDirectory(own)) {
            try (var files = Files.list(own)) {
                for (Path f : files.filter(p -> p.toString().endsWith(".json")).sorted().toList()) {
                    read(f, all, problems);
                }
            } catch (IOException e) {
                problems.add(Words.of("ready-made-shots.the-folder-cannot-be-read-check", own));
            }
        }
        return new ReadyMadeShots(all, problems);
    }

    private static void read(Path f, List<ReadyMadeShot> to, List<String> problems) {
        try {
            if (Files.size(f) > LARGEST) {
                problems.add(Words.of("ready-made-shots.larger-than-mb-which-no-illusion", f));
                return;
            }
            JsonNode tree = MAPPER.readTree(Files.readString(f));
            SchemaSix.rename(tree);
            ReadyMadeShot i = MAPPER.treeToValue(tree, ReadyMadeShot.class);
            to.add(i);
            if (!i.notUnderstood().isEmpty()) {
                problems.add(Words.of("ready-made-shots.not-understood-and-not-used", f, String.join(", ", i.notUnderstood())));
            }
        } catch (JacksonException | NullPointerException | IllegalArgumentException e) {
            problems.add(Words.of("ready-made-shots.this-is-no-illusion-it-was", f));
        } catch (IOException e) {
            problems.add(Words.of("ready-made-shots.the-file-cannot-be-read-check", f));
        }
    }

    /// Keeps a shot as an illusion of the user's own and gives its file.
    ///
    /// @throws StoreException if it cannot be written
    public static Path keep(Path own, Shot shot) throws StoreException {
        String slug = Ids.slug(shot.title());
        try {
            Files.createDirectories(own);
            Path file = own.resolve(slug + ".json");
            for (int i = 2; Files.exists(file); i++) {
                file = own.resolve(slug + "-" + i + ".json");
            }
            String id = String.valueOf(file.getFileName()).replaceAll("\\.json$", "");
            FreshFile.write(file, (MAPPER.writeValueAsString(ReadyMadeShot.of(shot, id)) + "\n").getBytes(StandardCharsets.UTF_8));
            return file;
        } catch (IOException e) {
            throw new StoreException(own, Words.of("ready-made-shots.the-illusion-could-not-be-kept"), e);
        }
    }
}
