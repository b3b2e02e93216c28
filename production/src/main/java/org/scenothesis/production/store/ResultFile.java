package org.scenothesis.production.store;

import java.io.IOException;
import java.io.InputStream;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.CRC32;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.DiskTrouble;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FreshFile;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.words.Words;
import org.slf4j.LoggerFactory;

/// A file that is made for somebody. It never takes the place of one that the program did not make, of footage, or of a production's own;
/// and it never goes through a link that a production's folder brought along.
///
/// What was made in a folder stands in its `.results`, a line a file: size, checksum, name. What was changed since is somebody else's.
public final class ResultFile {
    static final String LEDGER = ".results";
    private static final Set<String> OWN_FOLDERS = Set.of("footage", Earlier.FOLDER, ".cache");
    private static final Set<String> OWN_FILES = Set.of(ProductionFolder.FILE, Copies.PREVIOUS, Journal.FILE, LEDGER, ".lock",
            ".lock-owner");

    private ResultFile() {}

    /// Makes sure that a file may be written.
    ///
    /// @throws StoreException if something is there that this program did not make, or nothing may be written there
    public static void mayBe(Path target) throws StoreException {
        mayBe(parent(target), List.of(String.valueOf(target.getFileName())));
    }

    /// The same for several of one folder, which need not be there yet.
    ///
    /// @throws StoreException at the first that may not
    public static void mayBe(Path folder, List<String> names) throws StoreException {
        Path whole = folder.toAbsolutePath().normalize();
        for (String name : names) {
            apart(whole.resolve(name));
        }
        Map<String, String> made = ledger(whole);
        for (String name : names) {
            Path p = whole.resolve(name);
            if (Files.exists(p, LinkOption.NOFOLLOW_LINKS) && !look(p).equals(made.get(name))) {
                throw new StoreException(p, made.containsKey(name)
                        ? Words.of("result-file.this-file-was-changed-since-it")
                        : Words.of("result-file.this-file-was-not-made-by"));
            }
        }
    }

    /// Writes a whole file.
    ///
    /// @throws StoreException if it must not or cannot be written; what was there is then unchanged
    public static void write(Path target, byte[] bytes) throws StoreException {
        mayBe(target);
        try {
            Files.createDirectories(parent(target));
            FreshFile.write(target, bytes);
        } catch (IOException e) {
            throw new StoreException(target, Words.of("file.could-not-be-written"), e);
        }
        made(target);
    }

    /// Writes a still.
    ///
    /// @throws StoreException if it must not be written; what was there is then unchanged
    /// @throws FootageException if it cannot be written
    public static void write(Path target, Picture picture, Stills.Format format) throws StoreException, FootageException {
        mayBe(target);
        Stills.write(target, picture, format);
        made(target);
    }

    /// Notes that a file was made, so that it may be made again.
    public static void made(Path target) {
        Path folder = parent(target);
        try {
            Files.writeString(folder.resolve(LEDGER), look(target) + " " + URLEncoder.encode(String.valueOf(target.getFileName()),
                    StandardCharsets.UTF_8) + "\n",
                    StandardOpenOption.CREATE, StandardOpenOption.APPEND, LinkOption.NOFOLLOW_LINKS);
        } catch (IOException e) {
            LoggerFactory.getLogger(ResultFile.class)
                    .warn(DiskTrouble.told(Words.of("result-file.is-made-making-it-again-will", target), e), e);
        }
    }

    private static Path parent(Path target) {
        Path folder = target.toAbsolutePath().normalize().getParent();
        return folder == null ? target.toAbsolutePath() : folder;
    }

    private static Map<String, String> ledger(Path folder) {
        Map<String, String> out = new HashMap<>();
        Path file = folder.resolve(LEDGER);
        try {
            if (Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
                for (String line : UserFolder.lines(file)) {
                    String[] w = line.split(" ");
                    if (w.length == 3) {
                        out.put(URLDecoder.decode(w[2], StandardCharsets.UTF_8), w[0] + " " + w[1]);
                    }
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            // What cannot be read names nothing: then nothing is ours.
        }
        return out;
    }

    /// Size and checksum; of what is no plain file something that no line says.
    private static String look(Path p) {
        if (!Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS)) {
            return "-";
        }
        CRC32 crc = new CRC32();
        try (InputStream in = Files.newInputStream(p)) {
            byte[] piece = new byte[1 << 16];
            long size = 0;
            for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
                crc.update(piece, 0, n);
                size += n;
            }
            return size + " " + crc.getValue();
        } catch (IOException e) {
            return "-";
        }
    }

    /// Makes sure that a place is none of a production's own: every folder above that is one keeps its own files, and the path below it its
    /// real place.
    ///
    /// @throws StoreException if nothing may be written there
    public static void apart(Path target) throws StoreException {
        for (Path home = target.getParent(); home != null; home = home.getParent()) {
            if (ProductionFolder.lies(home)) {
                Path below = home.relativize(target);
                boolean footage = below.getNameCount() > 1 && OWN_FOLDERS.contains(below.getName(0).toString());
                if (footage || below.getNameCount() == 1 && OWN_FILES.contains(below.toString())) {
                    throw new StoreException(target, Words.of("file.the-productions-own", footage ? "footage" : "file"));
                }
                within(home, target);
            }
        }
    }

    private static void within(Path home, Path target) throws StoreException {
        try {
            Path there = target;
            while (!Files.exists(there, LinkOption.NOFOLLOW_LINKS)) {
                there = parent(there);
            }
            if (!Files.isDirectory(there, LinkOption.NOFOLLOW_LINKS) && there.equals(target)) {
                there = parent(there);
            }
            Path real = there.toRealPath();
            if (!real.startsWith(home.toRealPath())) {
                throw new StoreException(target, Words.of("result-file.a-link-in-the-production-s", real));
            }
        } catch (IOException e) {
            throw new StoreException(target, Words.of("file.folder-cannot-be-looked-at"), e);
        }
    }
}
