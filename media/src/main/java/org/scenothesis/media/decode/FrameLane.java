package org.scenothesis.media.decode;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;

/// Footage opened for one purpose, such as a render: every file stays the one that was opened, and of each the last frame is kept whatever
/// the room of the store. Not for several threads at once; several lanes of one store may be.
public final class FrameLane implements AutoCloseable {
    private final FrameStore store;
    private final Map<FootageSource, Held> open = new HashMap<>();

    FrameLane(FrameStore store) {
        this.store = store;
    }

    /// The footage, opened once; closed with the lane.
    ///
    /// @throws FootageException if it may not or cannot be read
    public Footage footage(FootageSource source) throws FootageException {
        Held f = open.get(source);
        if (f == null) {
            String standing = FrameStore.standing(source.path());
            f = new Held(source, standing, store.forLane(source));
            open.put(source, f);
        }
        return f;
    }

    /// Layers share plates, and stills last for ever: the frame read last is at hand.
    private final class Held implements Footage {
        private final FootageSource source;
        private final String standing;
        private final Footage file;
        private int last = -1;
        private @Nullable Picture picture;

        Held(FootageSource source, String standing, Footage file) {
            this.source = source;
            this.standing = standing;
            this.file = file;
        }

        @Override
        public FootageInfo info() {
            return file.info();
        }

        @Override
        public Picture frame(int index) throws FootageException {
            Picture p = picture;
            if (p == null || last != index) {
                p = store.frame(new FrameStore.Key(source, standing, index), file);
                picture = p;
                last = index;
            }
            return p;
        }

        @Override
        public Picture reduced(int index, int times) throws FootageException {
            return file.reduced(index, times);
        }

        @Override
        public AnalysisFrame lockFrame(int index) throws FootageException {
            return file.lockFrame(index);
        }

        @Override
        public void close() {
            picture = null;
            file.close();
        }
    }

    @Override
    public void close() {
        open.values().forEach(Held::close);
        open.clear();
    }
}
