package org.scenothesis.core.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jspecify.annotations.Nullable;

/// Splits the rows of a picture into bands of fixed height and runs them, in sequence or on a pool.
///
/// The band height does not depend on the number of threads, so partial results combined in band order are the same bits for any pool.
public final class Bands implements AutoCloseable {
    /// Rows in one band.
    public static final int BAND_ROWS = 32;

    private static final Bands SEQUENTIAL = new Bands(1, () -> {});

    private final @Nullable ExecutorService pool;
    private final int threads;
    private final ThreadGroup own = new ThreadGroup("bands");

    private final Runnable before;

    private Bands(int threads, Runnable before) {
        this.threads = threads;
        this.before = before;
        pool = threads == 1 ? null : Executors.newFixedThreadPool(threads, Thread.ofPlatform().group(own).daemon().name("bands-", 0)
                .factory());
    }

    /// Work on rows `from` (inclusive) to `to` (exclusive); `band` counts from 0.
    @FunctionalInterface
    public interface RowTask {
        void run(int from, int to, int band);
    }

    /// All bands one after the other on the calling thread.
    public static Bands sequential() {
        return SEQUENTIAL;
    }

    /// A pool of daemon threads; close it when the owner ends.
    public static Bands pooled(int threads) {
        return threads <= 1 ? SEQUENTIAL : new Bands(threads, () -> {});
    }

    /// A pool with one thread per core.
    public static Bands allCores() {
        return pooled(Runtime.getRuntime().availableProcessors());
    }

    /// The same, each of whose runs waits for `before`: for memory, where that is short.
    public static Bands allCores(Runnable before) {
        return new Bands(Runtime.getRuntime().availableProcessors(), before);
    }

    /// How many bands are worked on at a time.
    public int threads() {
        return threads;
    }

    /// The number of bands for `rows`, for those who keep a partial result per band.
    public static int count(int rows) {
        return (rows + BAND_ROWS - 1) / BAND_ROWS;
    }

    /// Runs `task` over all rows and returns when every band is done; the first failure is thrown on. Within a band of this pool the rows
    /// are run on its thread: it would wait for itself.
    public void run(int rows, RowTask task) {
        int bands = count(rows);
        if (pool == null || bands == 1 || Thread.currentThread().getThreadGroup() == own) {
            for (int i = 0; i < bands; i++) {
                task.run(i * BAND_ROWS, Math.min(rows, (i + 1) * BAND_ROWS), i);
            }
            return;
        }
        before.run();
        List<Future<?>> waiting = new ArrayList<>(bands);
        for (int i = 0; i < bands; i++) {
            int band = i;
            waiting.add(pool.submit(() -> task.run(band * BAND_ROWS, Math.min(rows, (band + 1) * BAND_ROWS), band)));
        }
        await(waiting);
    }

    private static void await(List<Future<?>> waiting) {
        try {
            for (Future<?> f : waiting) {
                f.get();
            }
        } catch (InterruptedException e) {
            waiting.forEach(f -> f.cancel(false));
            Thread.currentThread().interrupt();
            throw new CancellationException("interrupted between bands");
        } catch (ExecutionException e) {
            waiting.forEach(f -> f.cancel(false));
            switch (e.getCause()) {
                case RuntimeException r -> throw r;
                case Error r -> throw r;
                case null, default -> throw new IllegalStateException(e.getCause());
            }
        }
    }

    @Override
    public void close() {
        if (pool != null) {
            pool.shutdownNow();
        }
    }
}
