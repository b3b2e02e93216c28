package org.scenothesis.studio.house;

import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/// Passes values to the interface's thread, the newest only: where it is busy, the ones before it are dropped instead of waiting in a row.
public final class LatestTask<T> {
    private final AtomicReference<@Nullable T> next = new AtomicReference<>();
    private final Worker worker;
    private final Consumer<T> show;

    public LatestTask(Worker worker, Consumer<T> show) {
        this.worker = worker;
        this.show = show;
    }

    /// Shows it as soon as the interface has time, unless it is overtaken or its work not wanted any more.
    public void tell(T value, Worker.Ticket ticket) {
        if (next.getAndSet(value) == null) {
            worker.onUi(() -> {
                T newest = next.getAndSet(null);
                if (newest != null && ticket.wanted()) {
                    show.accept(newest);
                }
            });
        }
    }
}
