package org.scenothesis.production.render;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.words.Words;

/// Renders parts of a shot to files, each core a stretch of them: footage is read in order, and whole frames side by side need no waiting
/// for one another.
///
/// Parts that the ledger knows as finished are not made again.
final class Stretches {
    private final ShotRenderer renderer;
    private final Shot shot;
    private final Parts parts;
    private final Share share;
    private final double rate;
    private final AtomicBoolean stop = new AtomicBoolean();
    private final Semaphore finished = new Semaphore(0);

    /// Frames `from` to `to`, both included, in parts of `length`; parts begin at multiples of it, so that other ends leave them the same.
    record Parts(int length, int from, int to) {
        int count() {
            return to / length - from / length + 1;
        }

        int first(int part) {
            return Math.max(from, (from / length + part) * length);
        }

        int last(int part) {
            return Math.min(to, (from / length + part + 1) * length - 1);
        }
    }

    /// A part being made.
    final class At {
        private final int first;
        private final int last;
        private int told;

        At(int first, int last) {
            this.first = first;
            this.last = last;
        }

        int frames() {
            return last - first + 1;
        }

        double seconds(int i) {
            return (first + i) / rate;
        }

        /// Tells of a finished frame within the part.
        ///
        /// @throws Stopped if the render is to stop
        void done() {
            told++;
            finished.release();
            share.between().run();
            if (stop.get()) {
                throw new Stopped();
            }
        }
    }

    /// The name of a part's file.
    @FunctionalInterface
    interface Naming {
        String of(int first, int last);
    }

    /// How a part is made.
    @FunctionalInterface
    interface Maker {
        void make(ShotRenderer own, At at, Path file) throws FootageException;
    }

    Stretches(ShotRenderer renderer, Shot shot, Parts parts, Share share) throws FootageException {
        this.renderer = renderer;
        this.shot = shot;
        this.parts = parts;
        this.share = share;
        rate = renderer.format(shot).rate();
    }

    /// Renders all parts; progress is told on the calling thread.
    ///
    /// @throws FootageException the first failure of any stretch
    /// @throws Stopped if progress asks for it
    void finish(RenderLedger ledger, Naming naming, Maker maker, Progress progress) throws FootageException {
        int n = parts.count();
        int workers = Math.max(1, Math.min(renderer.workers(shot, share.most()), n));
        try (var pool = Executors.newFixedThreadPool(workers, Thread.ofPlatform().daemon().name("render-", 0).factory())) {
            List<Future<?>> running = new ArrayList<>();
            try {
                for (int k = 0; k < workers; k++) {
                    // A single one needs no second renderer with files of its own.
                    ShotRenderer own = workers == 1 ? renderer : renderer.another(shot);
                    int from = (int) ((long) n * k / workers);
                    int to = (int) ((long) n * (k + 1) / workers);
                    running.add(pool.submit(() -> {
                        stretch(own, from, to, ledger, naming, maker);
                        return null;
                    }));
                }
                watch(running, parts.to - parts.from + 1, progress);
            } finally {
                stop.set(true);
            }
        }
    }

    private void stretch(ShotRenderer own, int from, int to, RenderLedger ledger, Naming naming, Maker maker) throws FootageException {
        try {
            for (int k = from; k < to && !stop.get(); k++) {
                At at = new At(parts.first(k), parts.last(k));
                String name = naming.of(at.first, at.last);
                if (ledger.finished(name)) {
                    finished.release(at.frames());
                } else {
                    ledger.make(name, file -> maker.make(own, at, file));
                    finished.release(at.frames() - at.told);
                    if (at.told == 0) {
                        share.between().run();
                    }
                }
            }
        } catch (Stopped e) {
            // Asked for: what is finished stays.
        } finally {
            if (own != renderer) {
                own.close();
            }
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
            for (Future<?> f : running) {
                f.get();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException(Words.of("stretches.interrupted-while-rendering"));
        } catch (ExecutionException e) {
            throw known(Objects.requireNonNull(e.getCause()));
        }
    }

    /// Throws on what ended a stretch.
    private static void fail(List<Future<?>> running) throws FootageException, InterruptedException {
        for (Future<?> f : running) {
            if (f.state() == Future.State.FAILED) {
                throw known(f.exceptionNow());
            }
        }
    }

    private static FootageException known(Throwable t) {
        return switch (t) {
            case FootageException known -> known;
            case RuntimeException e -> throw e;
            case Error e -> throw e;
            default -> throw new IllegalStateException(t);
        };
    }
}
