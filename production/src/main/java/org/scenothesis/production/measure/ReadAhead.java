package org.scenothesis.production.measure;

import java.util.Objects;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;

/// Looks of a take for measuring, decoded ahead of being used: memory does not grow with the take.
final class ReadAhead implements AutoCloseable {
    private static final int AHEAD = 3;

    private record Item(@Nullable AnalysisFrame lockFrame, @Nullable Throwable failure) {}

    private final BlockingQueue<Item> queue = new ArrayBlockingQueue<>(AHEAD);
    private final Thread thread;
    private volatile boolean ended;

    /// - `frames`: their numbers, in the order in which they are taken.
    ReadAhead(Footage take, int[] frames) {
        thread = Thread.ofPlatform().daemon().name("decode-ahead").start(() -> decode(take, frames));
    }

    /// Whatever is thrown, an error too, is handed over: the one that waits must never wait for nothing.
    private void decode(Footage take, int[] frames) {
        try {
            for (int i = 0; i < frames.length && !ended; i++) {
                put(new Item(take.lockFrame(frames[i]), null));
            }
        } catch (Throwable e) {
            put(new Item(null, e));
        }
    }

    private void put(Item item) {
        try {
            while (!ended && !queue.offer(item, 100, TimeUnit.MILLISECONDS)) {
                // Wait for room, or for the end.
            }
        } catch (InterruptedException e) {
            ended = true;
        }
    }

    AnalysisFrame next() throws FootageException {
        try {
            Item item = queue.take();
            switch (item.failure) {
                case FootageException known -> throw known;
                case Error e -> throw e;
                case RuntimeException e -> throw e;
                case null, default -> {
                    return Objects.requireNonNull(item.lockFrame);
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Stopped();
        }
    }

    /// Returns only when the thread has ended, interrupted or not: it reads footage that is closed next.
    @Override
    public void close() {
        ended = true;
        boolean interrupted = false;
        while (thread.isAlive()) {
            try {
                thread.join();
            } catch (InterruptedException e) {
                interrupted = true;
            }
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
