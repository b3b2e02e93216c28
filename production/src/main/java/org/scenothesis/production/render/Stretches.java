package org.scenothesis.production.render;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.IntFunction;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;

/// Renders frames to files, each core a stretch of them: footage is read in order, and whole frames side by side need no waiting for one another.
///
/// Frames whose file is there, and not older than what they are made of, are not made again.
final class Stretches {
    private final ShotRenderer renderer;
    private final Shot shot;
    private final IntFunction<Path> files;
    private final Keeper keeper;
    private final FileTime since;
    private final double rate;
    private final AtomicBoolean stop = new AtomicBoolean();
    private final Semaphore finished = new Semaphore(0);

    /// How a finished frame is written.
    @FunctionalInterface
    interface Keeper {
        void keep(Path file, Picture frame) throws FootageException;
    }

    Stretches(ShotRenderer renderer, Shot shot, IntFunction<Path> files, Keeper keeper, FileTime since) throws FootageException {
        this.renderer = renderer;
        this.shot = shot;
        this.files = files;
        this.keeper = keeper;
        this.since = since;
        rate = renderer.format(shot).rate();
    }

    /// Renders the frames `from` to `to`, both included; progress is told on the calling thread.
    ///
    /// @throws FootageException the first failure of any stretch
    /// @throws Stopped if progress asks for it
    void finish(int from, int to, Progress progress) throws FootageException {
        int n = to - from + 1;
        int workers = Math.max(1, Math.min(renderer.threads(), n / 2));
        try (var pool = Executors.newFixedThreadPool(workers, Thread.ofPlatform().daemon().name("render-", 0).factory())) {
            List<Future<?>> running = new ArrayList<>();
            try {
                for (int k = 0; k < workers; k++) {
                    ShotRenderer own = renderer.alone(shot);
                    int first = from + (int) ((long) n * k / workers);
                    int last = from + (int) ((long) n * (k + 1) / workers) - 1;
                    running.add(pool.submit(() -> {
                        stretch(own, first, last);
                        return null;
                    }));
                }
                watch(running, n, progress);
            } finally {
                stop.set(true);
            }
        }
    }

    private void stretch(ShotRenderer own, int first, int last) throws FootageException {
        try (own) {
            for (int i = first; i <= last && !stop.get(); i++) {
                Path file = files.apply(i);
                if (!done(file)) {
                    keeper.keep(file, own.frame(shot, i / rate));
                }
                finished.release();
            }
        }
    }

    private boolean done(Path file) throws FootageException {
        try {
            return Files.exists(file) && Files.getLastModifiedTime(file).compareTo(since) >= 0;
        } catch (IOException e) {
            throw new FootageException(file, "the frame cannot be looked at; check the folder and its permissions.", e);
        }
    }

    private void watch(List<Future<?>> running, int n, Progress progress) throws FootageException {
        try {
            for (int done = 0; done < n; ) {
                if (!progress.at(done, n)) {
                    throw new Stopped();
                }
                done += finished.tryAcquire(100, TimeUnit.MILLISECONDS) ? 1 : 0;
                fail(running);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("interrupted while rendering");
        }
    }

    /// Throws on what ended a stretch.
    private static void fail(List<Future<?>> running) throws FootageException, InterruptedException {
        for (Future<?> f : running) {
            if (f.state() == Future.State.FAILED) {
                try {
                    f.get();
                } catch (ExecutionException e) {
                    if (e.getCause() instanceof FootageException known) {
                        throw known;
                    }
                    throw new IllegalStateException(e.getCause());
                }
            }
        }
    }
}
