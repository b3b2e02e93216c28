package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;
import org.scenothesis.production.words.Words;
import org.slf4j.LoggerFactory;

/// The one place where the document changes: undo, redo, autosave, observers.
///
/// Changes come from one thread (the interface's); saving runs on its own, at most half a second behind. What is unsaved is known under one
/// lock: a change is either in the state that is being written, or leads to another save. What fails is tried again, with growing pauses,
/// until it succeeds.
public final class Store implements AutoCloseable {
    private static final int MOST_STEPS = 500;
    private static final long SAVE_AFTER_MS = 400;
    private static final long NOTE_AFTER_MS = 100;
    private static final long LONGEST_PAUSE_MS = 15_000;

    private final ProductionFolder folder;
    private final Deque<Step> undo = new ArrayDeque<>();
    private final Deque<Step> redo = new ArrayDeque<>();
    private final List<Observer> observers = new CopyOnWriteArrayList<>();
    private final ScheduledThreadPoolExecutor saver = new ScheduledThreadPoolExecutor(1, Thread.ofPlatform().daemon().name("saver")
            .factory());
    /// Notes what changed beside the document; another thread than the saver's, which a large document keeps busy.
    private final ScheduledThreadPoolExecutor noter = new ScheduledThreadPoolExecutor(1, Thread.ofPlatform().daemon().name("noter")
            .factory());
    private final Object saving = new Object();
    /// Counts changes.
    private volatile long revision;
    private boolean noting;
    /// Guarded by `saving`: whether a save is due, how often it failed, and whether another program stands in the way.
    private boolean due;
    private int failures;
    private boolean contested;
    private volatile Production saved;
    private volatile Production now;
    /// One thread ends it, also when the system ends the program meanwhile.
    private final Object closing = new Object();
    private @Nullable Path unsaved;
    private @Nullable Production elsewhere;
    private boolean ended;
    private volatile SaveState state;

    private record Step(String what, Production before, Production after) {}

    /// How the document stands against the disk; `sentence` says what went wrong.
    public record SaveState(Kind kind, String sentence) {
        public enum Kind {
            SAVED,
            PENDING,
            FAILED,
            /// Another program changed the file: nothing is saved until one of the three ways is chosen.
            CONTESTED,
            READ_ONLY
        }
    }

    /// Told of every change; `saveChanged` may come from the saving thread.
    public interface Observer {
        void changed(Production now);

        default void saveChanged(SaveState state) {}

        /// A change that no production can hold was not made; why, as a sentence.
        default void refused(String sentence) {}
    }

    public Store(ProductionFolder folder) {
        this.folder = folder;
        // What waits when this is closed is saved there, at once.
        saver.setExecuteExistingDelayedTasksAfterShutdownPolicy(false);
        noter.setExecuteExistingDelayedTasksAfterShutdownPolicy(false);
        now = folder.production();
        saved = now;
        state = folder.writable() ? new SaveState(SaveState.Kind.SAVED, "") : new SaveState(SaveState.Kind.READ_ONLY, folder.whyReadOnly());
    }

    public ProductionFolder folder() {
        return folder;
    }

    public Production now() {
        return now;
    }

    public SaveState saveState() {
        return state;
    }

    public void observe(Observer o) {
        observers.add(o);
    }

    /// Applies a change as one undo step; a change to an equal value is none.
    public void apply(String what, UnaryOperator<Production> change) {
        Production before = now;
        Production after = change.apply(before);
        if (after.equals(before)) {
            return;
        }
        String refused = ProductionJson.refusal(folder.path().resolve(ProductionFolder.FILE), after);
        if (refused != null) {
            observers.forEach(o -> o.refused(refused));
            return;
        }
        undo.push(new Step(what, before, after));
        while (undo.size() > MOST_STEPS) {
            undo.removeLast();
        }
        redo.clear();
        become(after);
    }

    /// The name of what undo would take back, or null.
    public @Nullable String undoable() {
        return undo.isEmpty() ? null : undo.peek().what;
    }

    public @Nullable String redoable() {
        return redo.isEmpty() ? null : redo.peek().what;
    }

    public void undo() {
        if (!undo.isEmpty()) {
            Step s = undo.pop();
            redo.push(s);
            become(s.before);
        }
    }

    public void redo() {
        if (!redo.isEmpty()) {
            Step s = redo.pop();
            undo.push(s);
            become(s.after);
        }
    }

    private void become(Production p) {
        synchronized (saving) {
            now = p;
            revision++;
            if (state.kind() != SaveState.Kind.READ_ONLY) {
                if (!contested) {
                    announce(new SaveState(failures > 0 ? SaveState.Kind.FAILED : SaveState.Kind.PENDING, failures > 0 ? state.sentence()
                            : ""));
                }
                plan(SAVE_AFTER_MS);
                planNote();
            }
        }
        observers.forEach(o -> o.changed(p));
    }

    private void plan(long afterMs) {
        if (!due) {
            due = true;
            try {
                saver.schedule(this::save, afterMs, TimeUnit.MILLISECONDS);
            } catch (RejectedExecutionException e) {
                // Closing: what is unsaved is saved there.
                due = false;
            }
        }
    }

    private void planNote() {
        if (!noting) {
            noting = true;
            try {
                noter.schedule(this::note, NOTE_AFTER_MS, TimeUnit.MILLISECONDS);
            } catch (RejectedExecutionException e) {
                // Closing.
                noting = false;
            }
        }
    }

    private void note() {
        Production before;
        Production next;
        long at;
        synchronized (saving) {
            noting = false;
            before = saved;
            next = now;
            at = revision;
        }
        if (before != next) {
            try {
                folder.note(at, before, next);
            } catch (StoreException | RuntimeException e) {
                // Saving says it.
                LoggerFactory.getLogger(Store.class).debug("not noted", e);
            }
        }
    }

    private void save() {
        Production next;
        long at;
        synchronized (saving) {
            due = false;
            next = now;
            at = revision;
            if (contested) {
                keepBeside(next);
                return;
            }
            if (next == saved) {
                failures = 0;
                announce(new SaveState(SaveState.Kind.SAVED, ""));
                return;
            }
        }
        try {
            folder.save(next, at);
            settled(next);
        } catch (ChangedOutsideException e) {
            synchronized (saving) {
                contested = true;
                keepBeside(next);
                announce(new SaveState(SaveState.Kind.CONTESTED, String.valueOf(e.getMessage())));
            }
        } catch (StoreException | RuntimeException e) {
            synchronized (saving) {
                failures++;
                long pause = Math.min(LONGEST_PAUSE_MS, SAVE_AFTER_MS << Math.min(failures, 8));
                announce(new SaveState(SaveState.Kind.FAILED, Words.of("store.it-is-tried-again-by-itself", e.getMessage())));
                plan(pause);
            }
        }
    }

    private void settled(Production written) {
        synchronized (saving) {
            saved = written;
            failures = 0;
            contested = false;
            if (written == now) {
                announce(new SaveState(SaveState.Kind.SAVED, ""));
            } else {
                announce(new SaveState(SaveState.Kind.PENDING, ""));
                plan(0);
            }
        }
    }

    private void announce(SaveState s) {
        state = s;
        observers.forEach(o -> o.saveChanged(s));
    }

    /// Of a contested file: ours is written; what the other program wrote is kept among the earlier states.
    ///
    /// @throws StoreException if it cannot be written
    public void keepMine() throws StoreException {
        Production mine = now;
        folder.saveOver(mine);
        forgetBeside();
        settled(mine);
    }

    /// Of a contested file: what the other program wrote is taken, as a step that can be undone.
    ///
    /// @throws StoreException if it cannot be read
    public void takeTheirs() throws StoreException {
        Production theirs = folder.readAgain();
        synchronized (saving) {
            contested = false;
            saved = theirs;
        }
        apply(Words.of("store.take-what-another-program-wrote"), p -> theirs);
        forgetBeside();
        settled(theirs);
    }

    /// Of a contested file: ours is written beside it, then the other is taken. Gives the file that holds ours.
    ///
    /// @throws StoreException if either fails
    public Path saveMineBeside() throws StoreException {
        keepBeside(now);
        Path file = unsaved;
        unsaved = null;
        takeTheirs();
        return file == null ? folder.path() : file;
    }

    /// Another program stands in the way: ours lies beside at once, since the program may be ended before it is settled.
    private void keepBeside(Production mine) {
        try {
            if (unsaved != null) {
                Files.deleteIfExists(unsaved);
            }
            unsaved = folder.keepUnsaved(mine);
        } catch (StoreException | IOException e) {
            LoggerFactory.getLogger(Store.class).warn("the unsaved state could not be kept beside", e);
        }
    }

    /// What was kept beside is in the document now, or was let go.
    private void forgetBeside() {
        try {
            if (unsaved != null) {
                Files.deleteIfExists(unsaved);
            }
        } catch (IOException e) {
            LoggerFactory.getLogger(Store.class).debug("{} stays", unsaved, e);
        }
        unsaved = null;
    }

    /// Tries to save what is pending, now; whether all is on the disk then.
    public boolean saveNow() {
        synchronized (closing) {
            if (state.kind() != SaveState.Kind.READ_ONLY && saved != now) {
                save();
            }
            return state.kind() == SaveState.Kind.READ_ONLY || saved == now;
        }
    }

    /// Writes the document as it is into another folder, which becomes a production of its own; the footage stays where it is.
    ///
    /// @throws StoreException if there is a production already, or it cannot be written
    public void saveElsewhere(Path other) throws StoreException {
        ProductionFolder.create(other, now).close();
        elsewhere = now;
    }

    /// Saves what is pending, keeps beside what cannot be saved, and lets the folder go. Gives the file that holds what could not be saved,
    /// or null.
    public @Nullable Path end() {
        synchronized (closing) {
            if (ended) {
                return unsaved;
            }
            saver.shutdown();
            noter.shutdown();
            try {
                if (!saver.awaitTermination(10, TimeUnit.SECONDS)) {
                    saver.shutdownNow();
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            if (!saveNow() && elsewhere != now) {
                keepBeside(now);
            }
            folder.close();
            ended = true;
            return unsaved;
        }
    }

    @Override
    public void close() {
        end();
    }
}
