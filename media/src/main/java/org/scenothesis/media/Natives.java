package org.scenothesis.media;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.function.Consumer;
import org.bytedeco.javacpp.Pointer;
import org.jspecify.annotations.Nullable;

/// Native things that belong together, freed once each, the newest first, however far the work that made them came. For one thread.
///
/// The library's own functions end the process when they are given nothing to free, or something twice: no owner of native memory frees it
/// by itself.
public final class Natives implements AutoCloseable {
    private final Deque<Runnable> frees = new ArrayDeque<>();
    private boolean closed;

    /// Takes charge of what a native call allocated.
    ///
    /// - `free`: called once, when this is closed.
    ///
    /// @throws FootageException if the call allocated nothing; what was taken before is freed when this is closed
    public <P extends Pointer> P own(@Nullable P pointer, Consumer<? super P> free, Path path) throws FootageException {
        P there = Av.some(pointer, path);
        frees.push(() -> free.accept(there));
        return there;
    }

    /// Closes something of ours with the rest.
    public <C extends AutoCloseable> C keep(C thing, Consumer<? super C> close) {
        frees.push(() -> close.accept(thing));
        return thing;
    }

    /// Runs something when this is closed.
    public void after(Runnable last) {
        frees.push(last);
    }

    /// @throws IllegalStateException if this was closed: what it held must not be touched any more
    public void mustBeOpen() {
        if (closed) {
            throw new IllegalStateException("used after it was closed");
        }
    }

    @Override
    public void close() {
        closed = true;
        while (!frees.isEmpty()) {
            frees.pop().run();
        }
    }
}
