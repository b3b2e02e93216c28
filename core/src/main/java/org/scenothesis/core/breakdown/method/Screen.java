package org.scenothesis.core.breakdown.method;

/// What hangs behind a thing.
public enum Screen {
    NONE,
    GREEN,
    BLUE,
    BLACK,
    WHITE
}
