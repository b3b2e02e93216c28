package org.scenothesis.core.breakdown.method;

import org.scenothesis.core.value.Coded;

/// What hangs behind a thing.
public enum Screen implements Coded {
    NONE,
    GREEN,
    BLUE,
    BLACK,
    WHITE
}
