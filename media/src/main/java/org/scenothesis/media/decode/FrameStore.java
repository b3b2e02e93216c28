package org.scenothesis.media.decode;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.function.Function;
import java.util.function.LongSupplier;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.FileStamp;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;

/// The one place decoded frames come from: open files and a byte-bounded cache, shared by benches, thumbnails and renders. Safe for several
/// threads.
///
/// - One lock per file: thumbnails of one do not block playback of another. The files used longest ago are closed, and those not used for
///   some seconds when another is opened: a decoder keeps frames of its own.
/// - A file that was replaced or removed while it was open is noticed: no frame of the old one is shown under the new.
/// - While a file is read in order, its next frame is read ahead.
/// - A render reads by a [FrameLane] of its own, which stays with the files it opened.
public final class FrameStore implements AutoCloseable {
    private static final int MOST_OPEN = 4;
    static final long LOOK_NS = 400_000_000;
    static final long IDLE_NS = 3_000_000_000L;

    /// A frame of a file as it stood.
    record Key(FootageSource source, String standing, int frame) {}

    /// An open file; all but `source` and `looked` is guarded by its own monitor.
    private static final class Open {
        private final FootageSource source;
        private @Nullable Footage footage;
        private String standing = "";
        private volatile long looked;
        private int last = -2;
        private boolean dismissed;

        Open(FootageSource source, long now) {
            this.source = source;
            looked = now;
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

    private final Cache<Key, Picture> frames;
    private final LinkedHashMap<FootageSource, Open> open = new LinkedHashMap<>(16, 0.75f, true);
    private final Function<Path, @Nullable String> refusal;
    private final Runnable before;
    private final LongSupplier nanoTime;
    private final ExecutorService ahead = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("read-ahead").factory());
    private final Set<Key> coming = ConcurrentHashMap.newKeySet();

    /// - `room`: bytes of decoded frames kept, whatever the length of the takes. `refusal`: why a path must not be read, as a sentence, or
    ///   null.
    public FrameStore(long room, Function<Path, @Nullable String> refusal) {
        this(room, refusal, () -> {}, System::nanoTime);
    }

    /// - `before`: run before a frame is decoded, on the thread that asks for it.
    public FrameStore(long room, Function<Path, @Nullable String> refusal, Runnable before) {
        this(room, refusal, before, System::nanoTime);
    }

    FrameStore(long room, Function<Path, @Nullable String> refusal, Runnable before, LongSupplier nanoTime) {
        this.before = before;
        frames = Caffeine.newBuilder().maximumWeight(room >> 10).weigher((Key k, Picture p) -> (int) (p.bytes() >> 10) + 1).build();
        this.refusal = refusal;
        this.nanoTime = nanoTime;
    }

    /// Frame `index` of the footage without its transparency, the last one held beyond its end.
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
        try (Footage f = opened(source, 1)) {
            int times = Math.max(1, Math.min(f.info().width() / width, f.info().height() / height));
            return f.reduced(Math.clamp(index, 0, f.info().frames() - 1), times).withAlpha(null);
        }
    }

    /// Files opened for one purpose, by decoders of its own.
    public FrameLane lane() {
        return new FrameLane(this);
    }

    /// Opened for a lane.
    Footage forLane(FootageSource source) throws FootageException {
        makeRoom(MOST_OPEN, null);
        return opened(source, 1);
    }

    /// Opens what may be read.
    private Footage opened(FootageSource source, int threads) throws FootageException {
        String refused = refusal.apply(source.path());
        if (refused != null) {
            throw new FootageException(source.path(), refused);
        }
        return Footages.open(source, threads);
    }

    /// The frame with its transparency, from the cache or decoded by `f`, which is the caller's alone.
    Picture frame(Key key, Footage f) throws FootageException {
        Picture p = frames.getIfPresent(key);
        if (p == null) {
            before.run();
            p = f.frame(key.frame);
            frames.put(key, p);
        }
        return p;
    }

    private Picture frame(FootageSource source, ToIntFunction<FootageInfo> index) throws FootageException {
        Open o = shared(source);
        synchronized (o) {
            try {
                Footage f = current(o);
                Key key = new Key(source, o.standing, index.applyAsInt(f.info()));
                Picture p = frame(key, f);
                if (key.frame == o.last + 1 && key.frame + 1 < f.info().frames()) {
                    readAhead(o, new Key(source, o.standing, key.frame + 1));
                }
                o.last = key.frame;
                return p.withAlpha(null);
            } finally {
                if (o.dismissed) {
                    // Let go by another thread while this one waited for it.
                    o.close();
                }
            }
        }
    }

    private void readAhead(Open o, Key next) {
        if (frames.getIfPresent(next) != null || !coming.add(next)) {
            return;
        }
        try {
            ahead.execute(() -> {
                try {
                    synchronized (o) {
                        if (o.footage != null && o.standing.equals(next.standing)) {
                            frame(next, o.footage);
                        }
                    }
                } catch (FootageException | RuntimeException | OutOfMemoryError e) {
                    // Said when it is asked for.
                } finally {
                    coming.remove(next);
                }
            });
        } catch (RejectedExecutionException e) {
            // The store is closed.
            coming.remove(next);
        }
    }

    private Open shared(FootageSource source) {
        Open o;
        synchronized (open) {
            o = open.computeIfAbsent(source, s -> new Open(s, nanoTime.getAsLong()));
        }
        makeRoom(MOST_OPEN, o);
        return o;
    }

    /// Closes the shared files used longest ago, down to so many, and those not used for a while; never one that is asked for.
    private void makeRoom(int most, @Nullable Open but) {
        List<Open> leaving = new ArrayList<>();
        synchronized (open) {
            long now = nanoTime.getAsLong();
            for (Open o : open.values()) {
                if (o != but && (open.size() - leaving.size() > most || now - o.looked > IDLE_NS)) {
                    leaving.add(o);
                }
            }
            leaving.forEach(o -> open.remove(o.source));
        }
        leaving.forEach(Open::dismiss);
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
            frames.asMap().keySet().removeIf(k -> k.source.equals(o.source) && !k.standing.equals(standing));
            o.close();
            f = opened(o.source, Math.max(1, Runtime.getRuntime().availableProcessors()));
            o.footage = f;
            o.standing = standing;
            o.last = -2;
        }
        o.looked = now;
        return f;
    }

    static String standing(Path p) throws FootageException {
        try {
            if (!Files.exists(p)) {
                throw new FootageException(p, "the file is not there any more; find it again on Shoot, or bring it in once more.");
            }
            return FileStamp.of(p);
        } catch (IOException e) {
            throw new FootageException(p, "the file cannot be looked at; check its permissions.", e);
        }
    }

    /// Bytes held, for measurements.
    public long held() {
        frames.cleanUp();
        return frames.policy().eviction().map(e -> e.weightedSize().orElse(0) << 10).orElse(0L);
    }

    /// The files that are open for all.
    List<FootageSource> opened() {
        synchronized (open) {
            return List.copyOf(open.keySet());
        }
    }

    /// Whether a frame of the file as it stands is kept.
    boolean keeps(FootageSource source, int frame) throws FootageException {
        return frames.getIfPresent(new Key(source, standing(source.path()), frame)) != null;
    }

    @Override
    public void close() {
        ahead.shutdownNow();
        List<Open> all;
        synchronized (open) {
            all = new ArrayList<>(open.values());
            open.clear();
        }
        all.forEach(Open::dismiss);
        frames.invalidateAll();
    }
}
