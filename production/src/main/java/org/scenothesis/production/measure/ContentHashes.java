package org.scenothesis.production.measure;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.scenothesis.media.FileStamp;

/// What is in a file or a folder of stills, as a hash of every byte.
///
/// Hashing hours of footage takes a while, so that a hash is kept under what tells cheaply whether anything changed: names, sizes, times
/// and the file's own number on the disk. Readings that are wanted before the hash is known go under that provisional identity.
public final class ContentHashes {
    private static final int PIECE = 1 << 20;

    private final MeasurementCache readings;
    private final Map<Path, Known> known = new ConcurrentHashMap<>();

    private record Known(String standing, String hash) {}

    /// A hash as it is kept.
    record Kept(String hash) {}

    ContentHashes(MeasurementCache readings) {
        this.readings = readings;
    }

    /// The hash, if it was made since the file last changed.
    public Optional<String> known(Path p) {
        try {
            String standing = FileStamp.of(p);
            Known k = known.get(p);
            if (k != null && k.standing.equals(standing)) {
                return Optional.of(k.hash);
            }
            Optional<String> kept = readings.find("content-" + standing, Kept.class).map(Kept::hash);
            kept.ifPresent(h -> known.put(p, new Known(standing, h)));
            return kept;
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /// The hash of every byte, made now if it is not known.
    ///
    /// @throws IOException if it cannot be read
    /// @throws Stopped if progress asks for it
    public String of(Path p, Progress progress) throws IOException {
        String before = FileStamp.of(p);
        Optional<String> have = known(p);
        if (have.isPresent()) {
            return have.get();
        }
        MessageDigest digest = sha();
        List<Path> files = FileStamp.files(p);
        for (Path f : files) {
            if (files.size() > 1) {
                digest.update((f.getFileName() + "\n").getBytes(StandardCharsets.UTF_8));
            }
            read(f, digest, progress);
        }
        String hash = HexFormat.of().formatHex(digest.digest());
        // What changed while it was read has no hash yet.
        if (FileStamp.of(p).equals(before)) {
            known.put(p, new Known(before, hash));
            readings.keep("content-" + before, new Kept(hash));
        }
        return hash;
    }

    private static void read(Path f, MessageDigest digest, Progress progress) throws IOException {
        ByteBuffer piece = ByteBuffer.allocate(PIECE);
        try (FileChannel c = FileChannel.open(f)) {
            for (long at = 0; c.read(piece) >= 0; at++) {
                digest.update(piece.flip());
                piece.clear();
                if (at % 16 == 0 && !progress.at(0, 0)) {
                    throw new Stopped();
                }
            }
        }
    }

    /// Remembers what a take's path held, so that its file can be found again when it was moved.
    void held(String relative, String hash) {
        if (!last(relative).equals(Optional.of(hash))) {
            readings.keep(path(relative), new Kept(hash));
        }
    }

    /// What a take's path held when it was last measured.
    Optional<String> last(String relative) {
        return readings.find(path(relative), Kept.class).map(Kept::hash);
    }

    private static String path(String relative) {
        return MeasurementCache.key("path", 5, List.of(relative), "");
    }

    static MessageDigest sha() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
