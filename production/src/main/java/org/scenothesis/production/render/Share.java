package org.scenothesis.production.render;

/// How a render shares the machine with what else goes on.
///
/// - `most`: so many frames are made at once at most; one takes about half the memory of two, and a quarter longer. `between`: called
///   between frames, on the thread that makes them; it may wait.
public record Share(int most, Runnable between) {
    /// As many frames at once as there are cores and fit into the memory, without a pause.
    public static final Share ALL = new Share(Integer.MAX_VALUE, () -> {});
}
