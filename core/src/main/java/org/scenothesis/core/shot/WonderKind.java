package org.scenothesis.core.shot;

/// The kinds of impossible things. Each has a rule unit in `breakdown` once it can be planned.
public enum WonderKind {
    FLOATS,
    COPIES,
    OTHER_SIZE
}
