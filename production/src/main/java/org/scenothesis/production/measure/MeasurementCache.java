package org.scenothesis.production.measure;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.DiskTrouble;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import org.slf4j.LoggerFactory;

/// What was measured, kept in the production's `.cache` under the content of the footage, the settings and the version of the measuring
/// code.
///
/// - Each entry is signed for this user: what a stranger laid into the cache of a production is not believed, it is measured again.
/// - Readings that ship with the application come from the application's own folder only.
public final class MeasurementCache {
    private static final JsonMapper MAPPER = JsonMapper.builder().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();
    private static final int LARGEST = 32 << 20;

    private final @Nullable Path folder;
    private final @Nullable Path shipped;
    private final byte[] secret;
    private final AtomicBoolean refused = new AtomicBoolean();

    /// - `folder`: where entries lie; null keeps none. `shipped`: the application's own readings, or null.
    MeasurementCache(@Nullable Path folder, @Nullable Path shipped, byte[] secret) {
        this.folder = folder;
        this.shipped = shipped;
        this.secret = secret.clone();
    }

    static MeasurementCache of(ProductionFolder production, @Nullable Path shipped) {
        return new MeasurementCache(production.cacheInside() ? production.cache() : null, shipped, production.readingSecret());
    }

    /// The key of a measurement: what it is and by which version of the code, of which contents, with which settings.
    public static String key(String what, int version, List<String> contents, Object settings) {
        try {
            MessageDigest digest = ContentHashes.sha();
            digest.update((what + version + MAPPER.writeValueAsString(settings)).getBytes(StandardCharsets.UTF_8));
            contents.forEach(c -> digest.update((c + "\n").getBytes(StandardCharsets.UTF_8)));
            return what + "-" + HexFormat.of().formatHex(digest.digest(), 0, 12);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    public <T> Optional<T> find(String key, Class<T> type) {
        Optional<T> own = shipped == null ? Optional.empty() : read(shipped.resolve(key + ".json"), type, false);
        return own.isPresent() || folder == null ? own : read(folder.resolve(key + ".json"), type, true);
    }

    private <T> Optional<T> read(Path file, Class<T> type, boolean signed) {
        try {
            if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS) || Files.size(file) > LARGEST) {
                return Optional.empty();
            }
            String text = Files.readString(file);
            if (signed) {
                int line = text.indexOf('\n');
                if (line < 0 || !MessageDigest.isEqual(text.substring(0, line).getBytes(StandardCharsets.UTF_8),
                        signature(file, text.substring(line + 1)).getBytes(StandardCharsets.UTF_8))) {
                    return Optional.empty();
                }
                text = text.substring(line + 1);
            }
            return Optional.of(MAPPER.readValue(text, type));
        } catch (IOException | RuntimeException e) {
            // A damaged entry is no loss: measure again.
            return Optional.empty();
        }
    }

    /// Signed with its name, so that an entry cannot be passed off as another.
    private String signature(Path file, String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(secret, "HmacSHA256"));
            mac.update((file.getFileName() + "\n").getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    public void keep(String key, Object value) {
        if (folder == null) {
            return;
        }
        try {
            Files.createDirectories(folder);
            Path file = folder.resolve(key + ".json");
            String text = MAPPER.writeValueAsString(value);
            FreshFile.write(file, (signature(file, text) + "\n" + text).getBytes(StandardCharsets.UTF_8));
        } catch (ClosedByInterruptException e) {
            // The program ends; it is measured again the next time.
        } catch (IOException e) {
            // Every further one would say the same.
            if (refused.compareAndSet(false, true)) {
                LoggerFactory.getLogger(MeasurementCache.class)
                        .warn(DiskTrouble.told(Words.of("measurement-cache.measurements-are-not-kept-they-are", folder), e), e);
            }
        }
    }

    /// Writes an entry as the application ships it.
    ///
    /// @throws IOException if it cannot be written
    static void ship(Path folder, String key, Object value) throws IOException {
        Files.createDirectories(folder);
        FreshFile.write(folder.resolve(key + ".json"), MAPPER.writeValueAsBytes(value));
    }
}
