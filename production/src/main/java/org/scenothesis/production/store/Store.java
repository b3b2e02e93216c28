package org.scenothesis.production.store;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;

/// The one place where the document changes: undo, redo, autosave, observers.
///
/// Changes come from one thread (the interface's); saving runs on its own, at most half a second behind.
public final class Store implements AutoCloseable {
    private static final int MOST_STEPS = 500;
    private static final long SAVE_AFTER_MS = 400;

    private final ProductionFolder folder;
    private final Deque<Step> undo = new ArrayDeque<>();
    private final Deque<Step> redo = new ArrayDeque<>();
    private final List<Observer> observers = new CopyOnWriteArrayList<>();
    private final ScheduledExecutorService saver =
            Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("saver").factory());
    private volatile Production now;
    private volatile SaveState state;
    private @Nullable ScheduledFuture<?> planned;

    private record Step(String what, Production before, Production after) {}

    /// How the document stands against the disk; `sentence` says what went wrong.
    public record SaveState(Kind kind, String sentence) {
        public enum Kind {
            SAVED,
            PENDING,
            FAILED,
            READ_ONLY
        }
    }

    /// Told of every change; `saveChanged` may come from the saving thread.
    public interface Observer {
        void changed(Production now);

        default void saveChanged(SaveState state) {}
    }

    public Store(ProductionFolder folder) {
        this.folder = folder;
        now = folder.production();
        state = folder.writable() ? new SaveState(SaveState.Kind.SAVED, "") : new SaveState(SaveState.Kind.READ_ONLY, folder.holder());
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
        now = p;
        if (folder.writable()) {
            announce(new SaveState(SaveState.Kind.PENDING, ""));
            if (planned == null || planned.isDone()) {
                planned = saver.schedule(this::save, SAVE_AFTER_MS, TimeUnit.MILLISECONDS);
            }
        }
        observers.forEach(o -> o.changed(p));
    }

    private void save() {
        Production saving = now;
        try {
            folder.save(saving);
            if (saving == now) {
                announce(new SaveState(SaveState.Kind.SAVED, ""));
            } else {
                save();
            }
        } catch (StoreException e) {
            announce(new SaveState(SaveState.Kind.FAILED, e.getMessage()));
        }
    }

    private void announce(SaveState s) {
        state = s;
        observers.forEach(o -> o.saveChanged(s));
    }

    /// Saves what is pending and lets the folder go.
    @Override
    public void close() {
        saver.shutdown();
        try {
            if (!saver.awaitTermination(10, TimeUnit.SECONDS)) {
                saver.shutdownNow();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        if (folder.writable() && !folder.production().equals(now)) {
            save();
        }
        folder.close();
    }
}
