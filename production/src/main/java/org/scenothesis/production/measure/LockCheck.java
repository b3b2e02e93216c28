package org.scenothesis.production.measure;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.FrameLock;
import org.scenothesis.core.match.Glance;
import org.scenothesis.core.match.LockMeter;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.match.LockSeries;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.Footages;

/// Runs the lock check over footage: frames are decoded one ahead of being measured, so memory does not grow with the take.
public final class LockCheck {
    private static final int REFERENCE_FRAMES = 3;
    private static final int AHEAD = 3;

    private LockCheck() {}

    /// Measures every frame of `take` against the start of `reference`.
    ///
    /// @throws FootageException if either cannot be read or they differ in size
    /// @throws Stopped if progress asks for it
    public static LockReport run(Path reference, Path take, Bands bands, Progress progress) throws FootageException {
        try (Footage ref = Footages.open(reference); Footage t = Footages.open(take)) {
            if (ref.info().width() != t.info().width() || ref.info().height() != t.info().height()) {
                throw new FootageException(
                        take,
                        "the take is " + t.info().width() + "x" + t.info().height() + " but its reference is " + ref.info().width() + "x"
                                + ref.info().height() + "; compare footage of one size.");
            }
            LockMeter meter = new LockMeter(start(ref), bands);
            return frames(t, meter, progress);
        }
    }

    private static Glance start(Footage ref) throws FootageException {
        List<Glance> first = new ArrayList<>();
        for (int i = 0; i < Math.min(REFERENCE_FRAMES, ref.info().frames()); i++) {
            first.add(ref.glance(i));
        }
        return LockMeter.mean(first);
    }

    private static LockReport frames(Footage take, LockMeter meter, Progress progress) throws FootageException {
        int n = take.info().frames();
        List<FrameLock> locks = new ArrayList<>();
        List<Integer> numbers = new ArrayList<>();
        try (Ahead ahead = new Ahead(take)) {
            for (int i = 0; i < n; i++) {
                if (!progress.at(i, n)) {
                    throw new Stopped();
                }
                locks.add(meter.measure(ahead.next()));
                numbers.add(i);
            }
        }
        progress.at(n, n);
        return new LockSeries(take.info().width(), take.info().height(), locks, numbers).report();
    }

    /// Decodes on a thread of its own into a short queue.
    private static final class Ahead implements AutoCloseable {
        private record Item(@Nullable Glance glance, @Nullable FootageException failure) {}

        private final BlockingQueue<Item> queue = new ArrayBlockingQueue<>(AHEAD);
        private final Thread thread;
        private volatile boolean ended;

        Ahead(Footage take) {
            thread = Thread.ofPlatform().daemon().name("decode-ahead").start(() -> decode(take));
        }

        private void decode(Footage take) {
            try {
                for (int i = 0; i < take.info().frames() && !ended; i++) {
                    put(new Item(take.glance(i), null));
                }
            } catch (FootageException e) {
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

        Glance next() throws FootageException {
            try {
                Item item = queue.take();
                if (item.failure != null) {
                    throw item.failure;
                }
                return java.util.Objects.requireNonNull(item.glance);
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
}
