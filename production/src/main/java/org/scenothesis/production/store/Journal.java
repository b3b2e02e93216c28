package org.scenothesis.production.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.words.Words;

/// What changed since the document was last saved, beside it: written within a moment however large the document is, and read only after a
/// kill.
///
/// Each line is a revision: `state` is the order of the shots and a production of those that differ from the last saved one; `saved` is the
/// hash of a document that is about to be saved. A line that a kill cut short is none. What a line says is checked like a document. A
/// journal that grows beyond half of what is read again is written anew, with the newest state alone.
final class Journal {
    static final String FILE = ".journal";
    private static final long LARGEST = 64L << 20;
    private static final int MOST_TRIED = 4;

    private final Path file;
    private final long largest;
    private long noted;
    private boolean begun;
    /// The documents that were saved last, or tried to be.
    private final Deque<Line> tried = new ArrayDeque<>();

    /// A line. `hash`: of the document's bytes; empty in a state.
    private record Line(long revision, String hash, List<String> order, @Nullable JsonNode changed) {}

    Journal(Path folder) {
        this(folder, LARGEST);
    }

    /// - `largest`: bytes that are read again.
    Journal(Path folder, long largest) {
        file = folder.resolve(FILE);
        this.largest = largest;
    }

    static String hash(byte[] document) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(document), 0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /// Notes a state that is not saved yet.
    ///
    /// - `document`: the bytes on the disk. `saved`: the document as it is on the disk, or was a moment ago. `tree`: what it was read from,
    ///   for fields that this version does not know.
    ///
    /// @throws IOException if it cannot be written
    synchronized void state(long revision, byte[] document, Production saved, Production now, JsonNode tree) throws IOException {
        if (!begun) {
            append(new Line(0, hash(document), List.of(), null));
            begun = true;
        }
        Map<String, Shot> before = saved.shots().stream().collect(Collectors.toMap(Shot::id, s -> s));
        List<Shot> changed = now.shots().stream().filter(s -> before.get(s.id()) != s).toList();
        Line state = new Line(revision, "", now.shots().stream().map(Shot::id).toList(), ProductionJson.tree(now.withShots(changed), tree));
        append(state);
        noted = revision;
        if (Files.size(file) > largest / 2) {
            List<Line> kept = new ArrayList<>(tried);
            kept.addFirst(new Line(0, hash(document), List.of(), null));
            kept.add(state);
            FreshFile.write(file, text(kept));
        }
    }

    /// Notes that a document is about to be saved, or was read.
    ///
    /// @throws IOException if it cannot be written
    synchronized void saving(long revision, byte[] document) throws IOException {
        begun = true;
        var line = new Line(revision, hash(document), List.of(), null);
        tried.addLast(line);
        if (tried.size() > MOST_TRIED) {
            tried.removeFirst();
        }
        append(line);
    }

    /// All up to a revision is saved: unless more was noted meanwhile there is nothing left to remember.
    synchronized void saved(long revision) {
        if (noted <= revision) {
            tried.clear();
            try {
                Files.deleteIfExists(file);
                begun = false;
            } catch (IOException e) {
                // Its lines are older than the document, and are not read.
            }
        }
    }

    private void append(Line line) throws IOException {
        ByteBuffer b = ByteBuffer.wrap(text(List.of(line)));
        try (FileChannel c = FileChannel.open(file, Set.of(StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.APPEND,
                LinkOption.NOFOLLOW_LINKS))) {
            while (b.hasRemaining()) {
                c.write(b);
            }
            c.force(false);
        }
    }

    private static byte[] text(List<Line> lines) throws IOException {
        StringBuilder text = new StringBuilder();
        for (Line l : lines) {
            text.append(ProductionJson.line(l)).append('\n');
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /// What was changed after a document was saved and never saved itself; null where there is nothing.
    ///
    /// @throws IOException if there is a journal of another document, or one too large to be this program's
    @Nullable Production recovered(Path document, byte[] bytes, Production saved) throws IOException {
        if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
            return null;
        }
        if (Files.size(file) > largest) {
            throw new IOException(Words.of("journal.the-changes-that-were-not-saved", Files.size(file) >> 20));
        }
        String hash = hash(bytes);
        long from = -1;
        Line last = null;
        for (String text : UserFolder.lines(file)) {
            try {
                Line l = ProductionJson.line(text, Line.class);
                if (l.hash.equals(hash)) {
                    from = l.revision;
                } else if (l.changed != null && (last == null || l.revision >= last.revision)) {
                    last = l;
                }
            } catch (JsonProcessingException e) {
                // Cut short by a kill.
            }
        }
        if (last == null || from >= 0 && last.revision <= from) {
            return null;
        }
        if (from < 0) {
            throw new IOException(Words.of("journal.the-changes-cannot-be-read"));
        }
        return merged(document, saved, last);
    }

    private static @Nullable Production merged(Path document, Production saved, Line last) {
        try {
            Production changed = ProductionJson.read(document, String.valueOf(last.changed), "").production();
            Map<String, Shot> shots = new HashMap<>();
            saved.shots().forEach(s -> shots.put(s.id(), s));
            changed.shots().forEach(s -> shots.put(s.id(), s));
            return last.order.stream().allMatch(shots::containsKey)
                    ? changed.withShots(last.order.stream().map(id -> Objects.requireNonNull(shots.get(id))).toList()) : null;
        } catch (StoreException e) {
            // It makes no sense, and the document does.
            return null;
        }
    }

    /// Puts the journal of another document out of the way; it is kept under the name that is given back.
    Path setAside() throws IOException {
        return Files.move(file, ProductionFolder.free(Objects.requireNonNull(file.getParent()), "production.mine.journal"));
    }
}
