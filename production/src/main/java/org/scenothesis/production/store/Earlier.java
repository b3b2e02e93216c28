package org.scenothesis.production.store;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.words.Words;

/// Earlier states of a production, packed: one for each of the last minutes, hours and days in which something changed.
///
/// Each is written beside, forced to the disk and renamed like everything else, so that a kill leaves whole files only.
public final class Earlier {
    static final String FOLDER = ".earlier";
    private static final DateTimeFormatter NAME = DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH-mm-ss").withZone(ZoneOffset.UTC);
    private static final String ENDING = ".json.gz";
    private static final int MINUTES = 10;
    private static final int HOURS = 24;
    private static final int DAYS = 30;
    private static final int LARGEST = 64 << 20;

    private final Path folder;
    private final InstantSource clock;

    /// An earlier state: when it was left, and the file that holds it.
    public record State(Instant at, Path file) {}

    Earlier(Path production, InstantSource clock) {
        folder = production.resolve(FOLDER);
        this.clock = clock;
    }

    /// The earlier states of a production folder.
    public static Earlier of(Path production) {
        return new Earlier(production, InstantSource.system());
    }

    /// All there are, the newest first.
    public List<State> all() {
        if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            List<State> out = new ArrayList<>();
            files.filter(f -> f.getFileName().toString().endsWith(ENDING)).forEach(f -> {
                String name = f.getFileName().toString();
                try {
                    out.add(new State(NAME.parse(name.substring(0, name.length() - ENDING.length()), Instant::from), f));
                } catch (DateTimeException e) {
                    // Not ours.
                }
            });
            out.sort(Comparator.comparing(State::at).reversed());
            return out;
        } catch (IOException e) {
            return List.of();
        }
    }

    /// Keeps a state that is about to be replaced, unless one of the last minute is kept already, and lets go what is no longer needed.
    ///
    /// @throws IOException if it cannot be written
    void keep(String text) throws IOException {
        Instant now = clock.instant();
        // States of a clock that went wrong are dated later than now: they are kept and count for nothing.
        Optional<State> last = all().stream().filter(s -> !s.at.isAfter(now)).findFirst();
        if (last.isPresent() && Duration.between(last.get().at, now).compareTo(Duration.ofMinutes(1)) < 0) {
            return;
        }
        if (Files.isSymbolicLink(folder)) {
            throw new IOException(Words.of("earlier.is-a-link", folder));
        }
        Files.createDirectories(folder);
        ByteArrayOutputStream packed = new ByteArrayOutputStream(text.length() / 6 + 64);
        try (GZIPOutputStream zip = new GZIPOutputStream(packed)) {
            zip.write(text.getBytes(StandardCharsets.UTF_8));
        }
        FreshFile.write(folder.resolve(NAME.format(now) + ENDING), packed.toByteArray());
        thin(now);
    }

    private void thin(Instant now) throws IOException {
        Set<String> hours = new HashSet<>();
        Set<String> days = new HashSet<>();
        int minutes = 0;
        int later = 0;
        for (State s : all()) {
            if (s.at.isAfter(now)) {
                if (++later > MINUTES) {
                    Files.deleteIfExists(s.file);
                }
                continue;
            }
            boolean recent = minutes < MINUTES;
            boolean hourly = Duration.between(s.at, now).toHours() < HOURS && hours.add(NAME.format(s.at).substring(0, 13));
            boolean daily = Duration.between(s.at, now).toDays() < DAYS && days.add(NAME.format(s.at).substring(0, 10));
            minutes++;
            if (!recent && !hourly && !daily) {
                Files.deleteIfExists(s.file);
            }
        }
    }

    /// The text of an earlier state.
    ///
    /// @throws StoreException if it cannot be read
    static String text(Path file) throws StoreException {
        try (GZIPInputStream zip = new GZIPInputStream(new ByteArrayInputStream(Files.readAllBytes(file)))) {
            byte[] bytes = zip.readNBytes(LARGEST);
            return new String(bytes, StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new StoreException(file, Words.of("earlier.this-earlier-state-cannot-be-read"), e);
        }
    }
}
