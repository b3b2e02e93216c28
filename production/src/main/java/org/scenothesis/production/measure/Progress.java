package org.scenothesis.production.measure;

/// Told how far work has come; answers whether to go on.
@FunctionalInterface
public interface Progress {
    Progress NONE = (done, of) -> true;

    /// - Returns false to stop at the next safe point.
    boolean at(int done, int of);
}
