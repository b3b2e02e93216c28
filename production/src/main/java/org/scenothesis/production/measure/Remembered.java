package org.scenothesis.production.measure;

import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

/// Results kept in the cache folder under the content of the footage, the settings and the version of the measuring code.
public final class Remembered {
    /// Raised whenever a meter's results change.
    private static final int CODE = 4;
    private static final int PIECE = 1 << 20;
    private static final JsonMapper MAPPER = JsonMapper.builder().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();

    private final Path folder;

    public Remembered(Path cache) {
        folder = cache;
    }

    /// The key of a measurement: what it is, of which footage, with which settings.
    ///
    /// @throws UncheckedIOException if footage cannot be read
    public static String key(String what, List<Path> footage, Object settings) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            digest.update((what + CODE + MAPPER.writeValueAsString(settings)).getBytes(java.nio.charset.StandardCharsets.UTF_8));
            for (Path p : footage) {
                content(p, digest);
            }
            return what + "-" + HexFormat.of().formatHex(digest.digest(), 0, 12);
        } catch (NoSuchAlgorithmException | com.fasterxml.jackson.core.JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    // Start, middle and end with the length: enough to tell takes apart, and quick for hours of footage.
    private static void content(Path p, MessageDigest digest) {
        try {
            if (Files.isDirectory(p)) {
                try (var files = Files.list(p)) {
                    for (Path f : files.filter(Files::isRegularFile).sorted().toList()) {
                        digest.update((f.getFileName() + ":" + Files.size(f)).getBytes(java.nio.charset.StandardCharsets.UTF_8));
                    }
                }
                return;
            }
            long size = Files.size(p);
            digest.update(ByteBuffer.allocate(8).putLong(size).flip());
            try (FileChannel c = FileChannel.open(p)) {
                for (long at : new long[] {0, Math.max(0, size / 2), Math.max(0, size - PIECE)}) {
                    ByteBuffer b = ByteBuffer.allocate(PIECE);
                    c.read(b, at);
                    digest.update(b.flip());
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public <T> Optional<T> find(String key, Class<T> type) {
        Path file = folder.resolve(key + ".json");
        if (!Files.isRegularFile(file)) {
            return Optional.empty();
        }
        try {
            return Optional.of(MAPPER.readValue(file.toFile(), type));
        } catch (IOException e) {
            // A damaged cache is no loss: measure again.
            return Optional.empty();
        }
    }

    public void keep(String key, Object value) {
        try {
            Files.createDirectories(folder);
            Path part = Files.createTempFile(folder, key, ".part");
            MAPPER.writeValue(part.toFile(), value);
            Files.move(part, folder.resolve(key + ".json"), StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            org.slf4j.LoggerFactory.getLogger(Remembered.class).warn("a measurement was not cached", e);
        }
    }
}
