package org.scenothesis.studio.house;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Consumer;
import javafx.application.Platform;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.words.Words;

/// Work off the interface's thread: one lane per purpose, the newest request of a lane wins, its result comes back on the interface's
/// thread.
///
/// - A request that was overtaken is asked to stop and its result is dropped.
/// - Lanes that make pictures take turns: each uses all cores anyhow, and several at once would hold as many half-made pictures in memory.
/// - Films, rendered or rehearsed, take turns as well, among themselves. What goes on by itself gives way to both.
/// - Lanes called `one|this` and `one|that` do not overtake each other but share a thread and take turns.
public final class Worker implements AutoCloseable {
    /// What a job is given: whether it is still wanted.
    public interface Ticket {
        boolean wanted();
    }

    /// A job that may fail with a checked exception.
    @FunctionalInterface
    public interface Job<T> {
        T run(Ticket ticket) throws Exception;
    }

    /// Others that hold whole pictures.
    private static final Set<String> PICTURES = Set.of("thumbs", "room", "key-preview", "layer-ground", "match-compare", "match-loupe",
            "match-snap", "match-shadow", "spot");

    private static final Set<String> LONG = Set.of("render", "stage-rehearse");

    private static final long LONGEST_LOOK_NS = 1_000_000_000;
    private static final long LONGEST_WAIT_NS = 5_000_000_000L;
    private static final long WAIT_NS = 10_000_000;
    /// The thread of a lane that has nothing to do ends.
    private static final long IDLE_S = 5;

    private final Executor ui;
    private final Map<String, ExecutorService> lanes = new ConcurrentHashMap<>();
    private final Map<String, AtomicBoolean> newest = new ConcurrentHashMap<>();
    private volatile int busy;
    private final Map<String, Integer> lanesBusy = new ConcurrentHashMap<>();
    private volatile boolean closed;
    private final Semaphore pictures = new Semaphore(1, true);
    private final Semaphore works = new Semaphore(1, true);
    private final HeapPace heap = new HeapPace();

    public Worker(Executor ui) {
        this.ui = ui;
    }

    /// Runs `job` on `lane`; then `done` or `failed` on the interface's thread, unless overtaken.
    public <T> void ask(String lane, Job<T> job, Consumer<T> done, Consumer<Exception> failed) {
        if (closed) {
            return;
        }
        AtomicBoolean wanted = new AtomicBoolean(true);
        AtomicBoolean before = newest.put(lane, wanted);
        if (before != null) {
            before.set(false);
        }
        count(1);
        lanesBusy.merge(lane, 1, Integer::sum);
        lane(lane).execute(() -> {
            try {
                inTurn(lane, wanted, () -> {
                    T result = job.run(wanted::get);
                    ui.execute(() -> {
                        if (wanted.get()) {
                            done.accept(result);
                        }
                    });
                });
            } catch (CancellationException e) {
                // Overtaken or cancelled: nothing to tell.
            } catch (Throwable t) {
                // Errors too: whoever waits for an answer gets one.
                Exception e = told(t);
                ui.execute(() -> {
                    if (wanted.get()) {
                        failed.accept(e);
                    }
                });
            } finally {
                ui.execute(() -> {
                    count(-1);
                    lanesBusy.merge(lane, -1, Integer::sum);
                });
            }
        });
    }

    private static boolean isPicture(String lane) {
        return lane.toLowerCase(Locale.ROOT).contains("picture");
    }

    @FunctionalInterface
    private interface Work {
        void run() throws Exception;
    }

    private void inTurn(String lane, AtomicBoolean wanted, Work work) throws Exception {
        Semaphore turns = turns(lane);
        if (turns == null) {
            whileWanted(wanted, work);
            return;
        }
        turns.acquire();
        try {
            if (turns == works) {
                heap.working(true);
            }
            whileWanted(wanted, work);
        } finally {
            if (turns == works) {
                heap.working(false);
            }
            turns.release();
        }
    }

    private static void whileWanted(AtomicBoolean wanted, Work work) throws Exception {
        if (wanted.get()) {
            work.run();
        }
    }

    private @Nullable Semaphore turns(String lane) {
        // A rehearsal is refined as long as it is looked at: it would let nobody else have a turn.
        if (isPicture(lane) && !lane.startsWith("stage-") || PICTURES.contains(lane)) {
            return pictures;
        }
        return LONG.contains(lane) ? works : null;
    }

    /// Waits where what is made next would not find memory beside what lies about; the interface's thread never does.
    public void room() {
        if (!Platform.isFxApplicationThread()) {
            heap.room();
        }
    }

    /// Whether a long work goes on, so that another waits for its turn.
    public boolean longWorkRuns() {
        return works.availablePermits() == 0;
    }

    /// Waits while a picture is made, a second at most: what is looked at goes before what goes on by itself, and the two together would
    /// hold twice the memory.
    public void letLook(Ticket ticket) {
        pause(ticket, pictures, LONGEST_LOOK_NS);
    }

    /// Between two steps of long work: waits while a picture is made, and takes back the memory of the last one.
    public void betweenSteps(Ticket ticket) {
        heap.tidy();
        letLook(ticket);
    }

    /// Waits while a picture is made or a long work goes on, some seconds at most: what was not asked for goes on in small steps then.
    public void giveWay(Ticket ticket) {
        letLook(ticket);
        pause(ticket, works, LONGEST_WAIT_NS);
    }

    private static void pause(Ticket ticket, Semaphore turns, long longestNs) {
        long end = System.nanoTime() + longestNs;
        while (turns.availablePermits() == 0 && ticket.wanted() && System.nanoTime() < end) {
            LockSupport.parkNanos(WAIT_NS);
        }
    }

    /// What a bench that is not seen any more had asked for needs not be made.
    public void cancelPictures() {
        newest.keySet().stream().filter(l -> isPicture(l) && l.indexOf('|') < 0).forEach(this::cancel);
    }

    private static Exception told(Throwable t) {
        return switch (t) {
            case OutOfMemoryError e -> new IllegalStateException(Words.of("worker.there-is-not-enough-memory"), e);
            case Exception e -> e;
            default -> new IllegalStateException(Words.of("worker.something-went-wrong-inside-scenothesis", t), t);
        };
    }

    private synchronized void count(int by) {
        busy += by;
    }

    /// Asks what runs on a lane to stop.
    public void cancel(String lane) {
        AtomicBoolean wanted = newest.remove(lane);
        if (wanted != null) {
            wanted.set(false);
        }
    }

    /// Whether nothing runs or waits; for snapshots and tests.
    public boolean idle() {
        return busy == 0;
    }

    /// Whether nothing runs or waits on any lane but one.
    public boolean idleBut(String lane) {
        return lanesBusy.entrySet().stream().allMatch(e -> e.getKey().equals(lane) || e.getValue() == 0);
    }

    public void onUi(Runnable action) {
        ui.execute(action);
    }

    private ExecutorService lane(String name) {
        int bar = name.indexOf('|');
        return lanes.computeIfAbsent(bar < 0 ? name : name.substring(0, bar), n -> {
            var lane = new ThreadPoolExecutor(1, 1, IDLE_S, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), Thread.ofPlatform().daemon()
                    .name("lane-" + n).factory());
            lane.allowCoreThreadTimeOut(true);
            return lane;
        });
    }

    /// Stops all lanes and waits for them, so that nothing is written any more when this returns.
    @Override
    public void close() {
        closed = true;
        heap.close();
        newest.values().forEach(w -> w.set(false));
        lanes.values().forEach(ExecutorService::shutdownNow);
        try {
            for (ExecutorService lane : lanes.values()) {
                lane.awaitTermination(5, TimeUnit.SECONDS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
