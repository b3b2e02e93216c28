package org.scenothesis.studio.house;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.function.Function;
import java.util.function.LongSupplier;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.Footages;
import org.scenothesis.production.measure.Contents;

/// Hands out decoded frames; open files and a byte-bounded cache are shared by all benches. Safe for several threads.
///
/// - One lock per file: thumbnails of one do not block playback of another. The files used longest ago are closed.
/// - A file that was replaced or removed while it was open is noticed: no frame of the old one is shown under the new.
public final class FrameDesk implements AutoCloseable {
    /// Bytes of decoded frames kept, whatever the length of the takes.
    private static final long ROOM = 128L << 20;
    private static final int MOST_OPEN = 6;
    static final long LOOK_NS = 400_000_000;

    private record Key(FootageSource source, int frame) {}

    /// An open file; all but `source` is guarded by its own monitor.
    private static final class Open {
        private final FootageSource source;
        private @Nullable Footage footage;
        private String standing = "";
        private long looked;
        private boolean dismissed;

        Open(FootageSource source) {
            this.source = source;
        }

        synchronized void dismiss() {
            dismissed = true;
            close();
        }

        synchronized void close() {
            if (footage != null) {
                footage.close();
                footage = null;
            }
        }
    }

    private final Cache<Key, Picture> frames =
            Caffeine.newBuilder().maximumWeight(ROOM >> 10).weigher((Key k, Picture p) -> (int) (p.bytes() >> 10) + 1).build();
    private final LinkedHashMap<FootageSource, Open> open = new LinkedHashMap<>(16, 0.75f, true);
    private final Function<Path, @Nullable String> refusal;
    private final LongSupplier nanoTime;

    /// - `refusal`: why a path must not be read, as a sentence, or null.
    public FrameDesk(Function<Path, @Nullable String> refusal) {
        this(refusal, System::nanoTime);
    }

    FrameDesk(Function<Path, @Nullable String> refusal, LongSupplier nanoTime) {
        this.refusal = refusal;
        this.nanoTime = nanoTime;
    }

    /// Frame `index` of the footage, the last one held beyond its end.
    ///
    /// @throws FootageException if it cannot be read, or is not there any more
    public Picture frame(FootageSource source, int index) throws FootageException {
        return frame(source, i -> Math.clamp(index, 0, i.frames() - 1));
    }

    /// The frame shown at a time, by the footage's own times.
    ///
    /// @throws FootageException if it cannot be read, or is not there any more
    public Picture at(FootageSource source, double seconds) throws FootageException {
        return frame(source, i -> i.frameAt(seconds));
    }

    /// A small picture of a frame, at least as large as asked; neither it nor the file is kept, and the whole is never in memory as light.
    ///
    /// @throws FootageException if it cannot be read, or is not there any more
    public Picture small(FootageSource source, int index, int width, int height) throws FootageException {
        String refused = refusal.apply(source.path());
        if (refused != null) {
            throw new FootageException(source.path(), refused);
        }
        try (Footage f = Footages.open(source)) {
            int times = Math.max(1, Math.min(f.info().width() / width, f.info().height() / height));
            return f.reduced(Math.clamp(index, 0, f.info().frames() - 1), times).withAlpha(null);
        }
    }

    private Picture frame(FootageSource source, ToIntFunction<FootageInfo> index) throws FootageException {
        Open o = opened(source);
        synchronized (o) {
            try {
                Footage f = current(o);
                Key key = new Key(source, index.applyAsInt(f.info()));
                Picture p = frames.getIfPresent(key);
                if (p == null) {
                    p = f.frame(key.frame).withAlpha(null);
                    frames.put(key, p);
                }
                return p;
            } finally {
                if (o.dismissed) {
                    // Let go by another thread while this one waited for it.
                    o.close();
                }
            }
        }
    }

    private Open opened(FootageSource source) {
        List<Open> tooMany = new ArrayList<>();
        Open o;
        synchronized (open) {
            o = open.computeIfAbsent(source, Open::new);
            var eldest = open.entrySet().iterator();
            while (open.size() - tooMany.size() > MOST_OPEN && eldest.hasNext()) {
                tooMany.add(eldest.next().getValue());
            }
            tooMany.forEach(t -> open.remove(t.source));
        }
        tooMany.forEach(Open::dismiss);
        return o;
    }

    /// The file as it is now; looks from time to time whether it still is the one that was opened.
    private Footage current(Open o) throws FootageException {
        long now = nanoTime.getAsLong();
        Footage f = o.footage;
        if (f != null && now - o.looked < LOOK_NS) {
            return f;
        }
        String standing = standing(o.source.path());
        if (f == null || !standing.equals(o.standing)) {
            frames.asMap().keySet().removeIf(k -> k.source().equals(o.source));
            o.close();
            String refused = refusal.apply(o.source.path());
            if (refused != null) {
                throw new FootageException(o.source.path(), refused);
            }
            f = Footages.open(o.source);
            o.footage = f;
            o.standing = standing;
        }
        o.looked = now;
        return f;
    }

    private static String standing(Path p) throws FootageException {
        try {
            if (!Files.exists(p)) {
                throw new FootageException(p, "the file is not there any more; find it again on Shoot, or bring it in anew.");
            }
            return Contents.standing(p);
        } catch (IOException e) {
            throw new FootageException(p, "the file cannot be looked at; check its permissions.", e);
        }
    }

    /// Bytes held, for measurements.
    long held() {
        return frames.policy().eviction().map(e -> e.weightedSize().orElse(0) << 10).orElse(0L);
    }

    @Override
    public void close() {
        List<Open> all;
        synchronized (open) {
            all = new ArrayList<>(open.values());
            open.clear();
        }
        all.forEach(Open::dismiss);
        frames.invalidateAll();
    }
}
