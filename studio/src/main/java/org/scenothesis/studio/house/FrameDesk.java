package org.scenothesis.studio.house;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.Footages;

/// Hands out decoded frames; open files and a byte-bounded cache are shared by all benches. Safe for several threads.
public final class FrameDesk implements AutoCloseable {
    /// Bytes of decoded frames kept, whatever the length of the takes.
    private static final long ROOM = 320L << 20;

    private record Key(Path path, int frame) {}

    private final Cache<Key, Picture> frames =
            Caffeine.newBuilder().maximumWeight(ROOM >> 10).weigher((Key k, Picture p) -> (int) (p.bytes() >> 10) + 1).build();
    private final Map<Path, Footage> open = new HashMap<>();

    /// Frame `index` of the footage, the last one held beyond its end.
    ///
    /// @throws FootageException if it cannot be read
    public Picture frame(Path path, int index) throws FootageException {
        Picture kept = frames.getIfPresent(new Key(path, index));
        if (kept != null) {
            return kept;
        }
        synchronized (open) {
            Footage f = open.get(path);
            if (f == null) {
                f = Footages.open(path);
                open.put(path, f);
            }
            int i = Math.clamp(index, 0, f.info().frames() - 1);
            Picture p = frames.getIfPresent(new Key(path, i));
            if (p == null) {
                p = f.frame(i).withAlpha(null);
                frames.put(new Key(path, i), p);
            }
            return p;
        }
    }

    /// The frame shown at a time, by the footage's own times.
    ///
    /// @throws FootageException if it cannot be read
    public Picture at(Path path, double seconds) throws FootageException {
        int index;
        synchronized (open) {
            Footage f = open.get(path);
            if (f == null) {
                f = Footages.open(path);
                open.put(path, f);
            }
            index = f.info().frameAt(seconds);
        }
        return frame(path, index);
    }

    @Override
    public void close() {
        synchronized (open) {
            open.values().forEach(Footage::close);
            open.clear();
        }
    }
}
