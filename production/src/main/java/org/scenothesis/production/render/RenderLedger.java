package org.scenothesis.production.render;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.words.Words;

/// What a render made in a folder, and of what: a line for every finished file with its size and checksum.
///
/// - A file counts as finished only if it is still, to the byte, what was written; damaged ones are made again.
/// - A file that no line names was made by somebody else and is never replaced or removed.
///
/// The first line is the stamp of what the frames are made of; lines of an earlier stamp become `older`.
final class RenderLedger {
    private static final String NAME = ".rendered";

    private final Path folder;
    private final Path file;
    private final String stamp;
    private final Map<String, Entry> made = new LinkedHashMap<>();
    private final Map<String, Entry> older = new LinkedHashMap<>();

    private record Entry(long size, long crc) {}

    private RenderLedger(Path folder, String stamp) {
        this.folder = folder;
        this.stamp = stamp;
        file = folder.resolve(NAME);
    }

    /// Opens the ledger of a folder, which is made if it is not there.
    ///
    /// @throws FootageException if the folder cannot be made or written
    static RenderLedger open(Path folder, String stamp) throws FootageException {
        RenderLedger l = new RenderLedger(folder, stamp);
        try {
            Files.createDirectories(folder);
            if (Files.isRegularFile(l.file, LinkOption.NOFOLLOW_LINKS)) {
                l.read(Files.readAllLines(l.file));
            }
            l.write();
            return l;
        } catch (IOException e) {
            throw new FootageException(folder, Words.of("render-ledger.the-folder-cannot-be-made-or"), e);
        }
    }

    private void read(List<String> lines) {
        boolean same = !lines.isEmpty() && lines.getFirst().equals("stamp " + stamp);
        for (String line : lines) {
            String[] w = line.split(" ");
            if (w.length == 4 && (w[0].equals("made") || w[0].equals("older")) && !w[1].contains("/") && !w[1].contains("..")) {
                try {
                    (same && w[0].equals("made") ? made : older).put(w[1], new Entry(Long.parseLong(w[2]), Long.parseLong(w[3])));
                } catch (NumberFormatException e) {
                    // A line cut short by a kill names nothing.
                }
            }
        }
    }

    private void write() throws IOException {
        StringBuilder s = new StringBuilder("stamp " + stamp + "\n");
        older.forEach((n, e) -> s.append("older ").append(n).append(' ').append(e.size).append(' ').append(e.crc).append('\n'));
        made.forEach((n, e) -> s.append("made ").append(n).append(' ').append(e.size).append(' ').append(e.crc).append('\n'));
        FreshFile.write(file, s.toString().getBytes(StandardCharsets.UTF_8));
    }

    /// Whether a file of this stamp is there and whole.
    boolean finished(String name) {
        Entry e;
        synchronized (made) {
            e = made.get(name);
        }
        return e != null && e.equals(look(folder.resolve(name)));
    }

    private static Entry look(Path p) {
        try {
            if (!Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS)) {
                return new Entry(-1, -1);
            }
            CRC32 crc = new CRC32();
            try (InputStream in = Files.newInputStream(p)) {
                byte[] piece = new byte[1 << 16];
                for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
                    crc.update(piece, 0, n);
                }
            }
            return new Entry(Files.size(p), crc.getValue());
        } catch (IOException e) {
            return new Entry(-1, -1);
        }
    }

    /// Makes sure that all these may be written, before any of them is.
    ///
    /// @throws FootageException if something is there that no render made
    static void claim(Path folder, List<String> names) throws FootageException {
        RenderLedger l = new RenderLedger(folder, "");
        try {
            if (Files.isRegularFile(l.file, LinkOption.NOFOLLOW_LINKS)) {
                l.read(Files.readAllLines(l.file));
            }
        } catch (IOException e) {
            throw new FootageException(folder, Words.of("file.folder-cannot-be-looked-at"), e);
        }
        for (String name : names) {
            l.claim(name);
        }
    }

    /// Makes sure that a file may be written.
    ///
    /// @throws FootageException if something is there that no render made
    void claim(String name) throws FootageException {
        boolean own;
        synchronized (made) {
            own = made.containsKey(name) || older.containsKey(name);
        }
        if (!own && Files.exists(folder.resolve(name), LinkOption.NOFOLLOW_LINKS)) {
            throw new FootageException(folder.resolve(name),
                    Words.of("render-ledger.this-file-was-not-made-by"));
        }
    }

    /// What makes a file under another name, to be renamed when it is noted.
    @FunctionalInterface
    interface Making {
        void into(Path file) throws FootageException;
    }

    /// Makes a file beside, notes it, and gives it its name.
    ///
    /// @throws FootageException if it cannot be made
    void make(String name, Making making) throws FootageException {
        claim(name);
        Path target = folder.resolve(name);
        // The name keeps its ending: encoders look at it.
        Path beside = folder.resolve(".making-" + name);
        try {
            Files.deleteIfExists(beside);
            making.into(beside);
            Entry e = look(beside);
            note("made " + name + " " + e.size + " " + e.crc);
            synchronized (made) {
                made.put(name, e);
                older.remove(name);
            }
            Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new FootageException(target, Words.of("render-ledger.the-frame-cannot-be-kept-check"), e);
        }
    }

    private synchronized void note(String line) throws IOException {
        Files.writeString(file, line + "\n", StandardOpenOption.APPEND, LinkOption.NOFOLLOW_LINKS);
    }

    /// What an earlier render with another stamp made and this one did not make again.
    List<String> older() {
        return older.entrySet().stream().filter(o -> o.getValue().equals(look(folder.resolve(o.getKey())))).map(Map.Entry::getKey).sorted()
                .toList();
    }

    /// Removes some of what is [#older]: only what is still as it was made, since somebody may have put something better under the name.
    ///
    /// @throws FootageException if that fails
    void remove(List<String> names) throws FootageException {
        try {
            for (String n : names) {
                Files.deleteIfExists(folder.resolve(n));
                older.remove(n);
            }
            write();
        } catch (IOException e) {
            throw new FootageException(folder, Words.of("render-ledger.frames-of-an-earlier-render-cannot"), e);
        }
    }

    /// Whether a folder holds nothing but what a render made.
    static boolean isOne(Path folder) {
        return Files.isRegularFile(folder.resolve(NAME), LinkOption.NOFOLLOW_LINKS);
    }
}
