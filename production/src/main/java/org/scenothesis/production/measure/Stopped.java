package org.scenothesis.production.measure;

import java.util.concurrent.CancellationException;

/// Work that its owner no longer wants.
public final class Stopped extends CancellationException {
    private static final long serialVersionUID = 1;

    public Stopped() {
        super("stopped");
    }
}
